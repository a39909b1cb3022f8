<?php

declare(strict_types=1);

namespace Elmstone\Upkeep;

use Elmstone\Core\Money\Refused;

/**
 * Seals a stream so that only the owner's key opens it: what makes backups knows the public half alone. A random key
 * for each file, sealed to the public one (X25519, libsodium's sealed box), then XChaCha20-Poly1305 in pieces of a
 * mebibyte (libsodium's secretstream): a piece that is changed, moved or missing is found, the last one too.
 */
final class Vault
{
    private const MAGIC = "ELMSTONE-BACKUP-1\n";

    private const PIECE = 1 << 20;

    private const PUBLIC = 'elmstone-seals-';

    private const PRIVATE = 'elmstone-opens-';

    /** @return array{public: string, private: string} printable */
    public static function newKeys(): array
    {
        $pair = sodium_crypto_box_keypair();

        return [
            'public' => self::PUBLIC.bin2hex(sodium_crypto_box_publickey($pair)),
            'private' => self::PRIVATE.bin2hex(sodium_crypto_box_secretkey($pair)),
        ];
    }

    /**
     * @param  resource  $in
     * @param  resource  $out
     *
     * @throws Refused bad_key
     */
    public static function seal(mixed $in, mixed $out, string $public): void
    {
        $key = sodium_crypto_secretstream_xchacha20poly1305_keygen();
        [$state, $header] = sodium_crypto_secretstream_xchacha20poly1305_init_push($key);
        self::write($out, self::MAGIC.sodium_crypto_box_seal($key, self::bytes($public, self::PUBLIC)).$header);

        do {
            $piece = self::read($in, self::PIECE);
            $tag = feof($in) ? SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_FINAL
                : SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_MESSAGE;
            $sealed = sodium_crypto_secretstream_xchacha20poly1305_push($state, $piece, '', $tag);
            self::write($out, pack('N', strlen($sealed)).$sealed);
        } while ($tag !== SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_FINAL);
    }

    /**
     * @param  resource  $in
     * @param  resource  $out
     *
     * @throws Refused bad_key, no_backup, wrong_key, damaged
     */
    public static function open(mixed $in, mixed $out, #[\SensitiveParameter] string $private): void
    {
        self::read($in, strlen(self::MAGIC)) === self::MAGIC
            || throw Refused::because('no_backup', 'This is no backup of ours.');
        $secret = self::bytes($private, self::PRIVATE);
        $pair = sodium_crypto_box_keypair_from_secretkey_and_publickey(
            $secret,
            sodium_crypto_box_publickey_from_secretkey($secret),
        );
        $key = sodium_crypto_box_seal_open(
            self::read($in, SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_KEYBYTES + SODIUM_CRYPTO_BOX_SEALBYTES),
            $pair,
        );
        $key !== false || throw Refused::because('wrong_key', 'It was sealed for another key.');
        $header = self::read($in, SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_HEADERBYTES);
        strlen($header) === SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_HEADERBYTES || self::damaged();
        $state = sodium_crypto_secretstream_xchacha20poly1305_init_pull($header, $key);

        do {
            $length = unpack('N', self::read($in, 4).'----');
            $bytes = is_array($length) && is_int($length[1]) ? $length[1] : 0;
            $bytes > 0 && $bytes <= 2 * self::PIECE || self::damaged();
            $sealed = self::read($in, $bytes);
            $opened = strlen($sealed) === $bytes
                ? sodium_crypto_secretstream_xchacha20poly1305_pull($state, $sealed) : false;
            is_array($opened) || self::damaged();
            self::write($out, $opened[0]);
        } while ($opened[1] !== SODIUM_CRYPTO_SECRETSTREAM_XCHACHA20POLY1305_TAG_FINAL);

        self::read($in, 1) === '' || self::damaged();
    }

    /** @throws Refused bad_key */
    private static function bytes(#[\SensitiveParameter] string $key, string $begins): string
    {
        $hex = str_starts_with(trim($key), $begins) ? substr(trim($key), strlen($begins)) : '';

        return preg_match('/^[0-9a-f]{64}$/D', $hex) === 1 ? (string) hex2bin($hex)
            : throw Refused::because('bad_key', "A key begins with {$begins} and has 64 digits after it.");
    }

    /**
     * So many bytes, or what there is.
     *
     * @param  resource  $in
     */
    private static function read(mixed $in, int $bytes): string
    {
        $read = '';

        while (strlen($read) < $bytes && ! feof($in)) {
            $read .= (string) fread($in, max(1, $bytes - strlen($read)));
        }

        return $read;
    }

    /** @param  resource  $out */
    private static function write(mixed $out, string $bytes): void
    {
        for ($written = 0; $written < strlen($bytes); $written += $some) {
            $some = fwrite($out, substr($bytes, $written));
            $some !== false && $some > 0 || throw Refused::because('no_room', 'It cannot be written: no room is left.');
        }
    }

    private static function damaged(): never
    {
        throw Refused::because('damaged', 'It is damaged: something of it was changed, or its end is missing.');
    }
}
