<?php

declare(strict_types=1);

namespace Elmstone\Devices\Real;

use Elmstone\Devices\DeviceFailed;

/** Bytes to a device at an address on the network, as printers take them on port 9100. */
final class Socket
{
    private const SECONDS = 3;

    /** @throws DeviceFailed where it is not there, or takes only a part */
    public static function send(string $address, string $bytes, string $name): void
    {
        $socket = @stream_socket_client("tcp://{$address}", $number, $words, self::SECONDS);

        if ($socket === false) {
            throw new DeviceFailed("The printer of {$name} does not answer at {$address}.");
        }

        stream_set_timeout($socket, self::SECONDS);

        for ($sent = 0; $sent < strlen($bytes); $sent += $some) {
            $some = @fwrite($socket, substr($bytes, $sent));

            if ($some === false || $some === 0) {
                fclose($socket);

                throw new DeviceFailed("The printer of {$name} took only a part of it.");
            }
        }

        fclose($socket);
    }
}
