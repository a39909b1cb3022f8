<?php

declare(strict_types=1);

namespace Elmstone\Tests\Outside;

use Elmstone\Core\Proof\SigningKey;
use phpseclib3\Crypt\EC;
use phpseclib3\Crypt\PublicKeyLoader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Ed25519 against RFC 8032, section 7.1 (tests 1, 2 and 3, written from memory), and against phpseclib, which has its
 * own implementation.
 */
final class SignatureTest extends TestCase
{
    /** @return iterable<string, array{string, string, string, string}> secret, public, message, signature */
    public static function vectors(): iterable
    {
        yield 'test 1' => [
            '9d61b19deffd5a60ba844af492ec2cc44449c5697b326919703bac031cae7f60',
            'd75a980182b10ab7d54bfed3c964073a0ee172f3daa62325af021a68f707511a',
            '',
            'e5564300c360ac729086e2cc806e828a84877f1eb8e5d974d873e065224901555fb8821590a33bacc61e39701cf9b46b'
                .'d25bf5f0595bbe24655141438e7a100b',
        ];
        yield 'test 2' => [
            '4ccd089b28ff96da9db6c346ec114e0f5b8a319f35aba624da8cf6ed4fb8a6fb',
            '3d4017c3e843895a92b70aa74d1b7ebc9c982ccf2ec4968cc0cd55f12af4660c',
            '72',
            '92a009a9f0d4cab8720e820b5f642540a2b27b5416503f8fb3762223ebdb69da085ac1e43e15996e458f3613d0f11d8c'
                .'387b2eaeb4302aeeb00d291612bb0c00',
        ];
        yield 'test 3' => [
            'c5aa8df43f9f837bedb7442f31dcb7b166d38535076f094b85ce3a2e0b4458f7',
            'fc51cd8e6218a1a38da47ed00230f0580816ed13ba3303ac5deb911548908025',
            'af82',
            '6291d657deec24024827e69c3abe01a30ce548a284743a445e3680d7db5ac3ac18ff9b538d16f290ae67f760984dc659'
                .'4a7c15e9716ed28dc027beceea1ec40a',
        ];
    }

    #[DataProvider('vectors')]
    public function test_signatures_are_those_of_the_standard(
        string $secret,
        string $public,
        string $message,
        string $signature,
    ): void {
        $key = SigningKey::of((string) hex2bin($secret));
        $text = (string) hex2bin($message);
        $this->assertSame($public, bin2hex($key->public));
        $this->assertSame($signature, bin2hex($key->sign($text)));
        $this->assertTrue(SigningKey::verifies($text, (string) hex2bin($signature), $key->public));
        $this->assertFalse(SigningKey::verifies("{$text}!", (string) hex2bin($signature), $key->public));
    }

    public function test_another_library_says_the_same(): void
    {
        $key = SigningKey::of(str_repeat("\7", 32));
        $header = "\x30\x2a\x30\x05\x06\x03\x2b\x65\x70\x03\x21\x00";
        $public = PublicKeyLoader::load(
            "-----BEGIN PUBLIC KEY-----\n".base64_encode($header.$key->public)."\n-----END PUBLIC KEY-----",
        );
        $this->assertInstanceOf(EC\PublicKey::class, $public);
        $this->assertTrue($public->verify('the ends of all series', $key->sign('the ends of all series')));
        $this->assertFalse($public->verify('other ends', $key->sign('the ends of all series')));
    }

    public function test_what_is_no_key_or_signature_fits_nothing(): void
    {
        $key = SigningKey::of(str_repeat("\1", 32));
        $this->assertFalse(SigningKey::verifies('a', 'short', $key->public));
        $this->assertFalse(SigningKey::verifies('a', $key->sign('a'), 'short'));
        $this->assertFalse(SigningKey::verifies('a', '', ''));
        $this->assertMatchesRegularExpression('/^([0-9A-F]{4}-){4}[0-9A-F]{4}$/', $key->fingerprint());
    }
}
