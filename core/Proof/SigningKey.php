<?php

declare(strict_types=1);

namespace Elmstone\Core\Proof;

use InvalidArgumentException;

/** A key that signs: Ed25519 (RFC 8032), by libsodium. Who has the public half can check, and cannot sign. */
final readonly class SigningKey
{
    private function __construct(private string $secret, public string $public)
    {
    }

    /** @param  string  $seed 32 bytes, kept secret */
    public static function of(string $seed): self
    {
        if (strlen($seed) !== SODIUM_CRYPTO_SIGN_SEEDBYTES) {
            throw new InvalidArgumentException('A signing key is 32 bytes.');
        }

        $pair = sodium_crypto_sign_seed_keypair($seed);

        return new self(sodium_crypto_sign_secretkey($pair), sodium_crypto_sign_publickey($pair));
    }

    /** @return string 64 bytes */
    public function sign(string $message): string
    {
        return sodium_crypto_sign_detached($message, self::full($this->secret));
    }

    public function fingerprint(): string
    {
        return self::fingerprintOf($this->public);
    }

    public static function verifies(string $message, string $signature, string $public): bool
    {
        return strlen($signature) === SODIUM_CRYPTO_SIGN_BYTES
            && strlen($public) === SODIUM_CRYPTO_SIGN_PUBLICKEYBYTES
            && sodium_crypto_sign_verify_detached($signature, $message, $public);
    }

    /** The public half as people compare it: five groups of four hexadecimal digits of its SHA-256. */
    public static function fingerprintOf(string $public): string
    {
        return self::short(hash('sha256', $public));
    }

    /** A signature as it is printed: the same of its SHA-256. */
    public static function shortForm(string $signature): string
    {
        return self::short(hash('sha256', $signature));
    }

    private static function short(string $hex): string
    {
        return strtoupper(implode('-', str_split(substr($hex, 0, 20), 4)));
    }

    /** @return non-empty-string */
    private static function full(string $bytes): string
    {
        return $bytes === '' ? throw new InvalidArgumentException('A key is not empty.') : $bytes;
    }
}
