<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

/**
 * The database as a client sees it when its machine is stopped: connections stand, nothing answers. A process between
 * the two that can be stopped.
 */
final class StoppedServer
{
    private readonly int $process;

    public readonly int $port;

    public function __construct(string $host, int $port)
    {
        $own = stream_socket_server('tcp://127.0.0.1:0') ?: throw new \LogicException('No port is free.');
        $this->port = (int) substr((string) strrchr((string) stream_socket_get_name($own, false), ':'), 1);
        $process = pcntl_fork();
        $process === 0 && self::passOn($own, "tcp://{$host}:{$port}");
        $this->process = $process;
        fclose($own);
    }

    public function stop(): void
    {
        posix_kill($this->process, SIGSTOP);
    }

    public function goOn(): void
    {
        posix_kill($this->process, SIGCONT);
    }

    public function end(): void
    {
        posix_kill($this->process, SIGKILL);
        pcntl_waitpid($this->process, $status);
    }

    /** @param  resource  $own */
    private static function passOn($own, string $server): never
    {
        $ends = [];

        while (true) {
            $read = [$own, ...array_map(static fn (array $end) => $end[0], $ends)];
            $none = null;
            stream_select($read, $none, $none, null);

            foreach ($read as $ready) {
                if ($ready === $own) {
                    [$client, $there] = [stream_socket_accept($own), stream_socket_client($server)];
                    $client !== false && $there !== false && array_push($ends, [$client, $there], [$there, $client]);
                } else {
                    $ends = self::pass($ends, $ready);
                }
            }
        }
    }

    /**
     * @param  list<array{resource, resource}>  $ends
     * @param  resource  $from
     * @return list<array{resource, resource}> those that stand
     */
    private static function pass(array $ends, $from): array
    {
        $to = array_values(array_filter($ends, static fn (array $end): bool => $end[0] === $from))[0][1] ?? null;
        $bytes = fread($from, 65536);

        if ($to !== null && $bytes !== false && $bytes !== '') {
            fwrite($to, $bytes);

            return $ends;
        }

        return array_values(
            array_filter($ends, static fn (array $end): bool => $end[0] !== $from && $end[1] !== $from),
        );
    }
}
