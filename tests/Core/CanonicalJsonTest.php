<?php

declare(strict_types=1);

namespace Elmstone\Tests\Core;

use Elmstone\Core\Proof\CanonicalJson;
use Elmstone\Core\Proof\Link;
use InvalidArgumentException;

/** RFC 8785, "JSON Canonicalization Scheme": its own examples, sections 3.2.2 and 3.2.3, written from memory. */
final class CanonicalJsonTest extends CoreCase
{
    public function test_the_example_of_section_3_2_2(): void
    {
        $string = "\u{20AC}$\u{F}\u{A}A'B\"\\\\\"/";
        self::assertSame(
            '{"literals":[null,true,false],"string":"€$\u000f\nA\'B\"\\\\\\\\\"/"}',
            CanonicalJson::of(['string' => $string, 'literals' => [null, true, false]]),
        );
    }

    public function test_members_are_sorted_by_utf_16_code_units_as_in_section_3_2_3(): void
    {
        $members = [
            "\u{20AC}" => 'Euro Sign',
            "\r" => 'Carriage Return',
            "\u{FB33}" => 'Hebrew Letter Dalet With Dagesh',
            '1' => 'One',
            "\u{1F600}" => 'Emoji: Grinning Face',
            "\u{80}" => 'Control',
            "\u{F6}" => 'Latin Small Letter O With Diaeresis',
        ];
        $sorted = json_decode(CanonicalJson::of($members), true);
        self::assertSame(
            [
                'Carriage Return', 'One', 'Control', 'Latin Small Letter O With Diaeresis', 'Euro Sign',
                'Emoji: Grinning Face', 'Hebrew Letter Dalet With Dagesh',
            ],
            array_values($sorted),
        );
    }

    public function test_blanks_nesting_and_whole_numbers(): void
    {
        self::assertSame(
            '{"a":[{"b":2,"c":-1}],"e":[]}',
            CanonicalJson::of(['e' => [], 'a' => [['c' => -1, 'b' => 2]]]),
        );
        self::assertSame("\"a\u{2028}b\"", CanonicalJson::of("a\u{2028}b"));
        self::assertSame('9007199254740991', CanonicalJson::of(9007199254740991));
    }

    public function test_what_json_cannot_say_exactly_is_refused(): void
    {
        foreach ([9007199254740993, ['a' => 1.5], ['a' => [new \stdClass]]] as $value) {
            try {
                CanonicalJson::of($value);
                self::fail('Nothing was refused.');
            } catch (InvalidArgumentException $refused) {
                self::assertNotSame('', $refused->getMessage());
            }
        }
    }

    /** FIPS 180-4: the digest of an empty text, and that a link is of its words and of what was before. */
    public function test_a_link_is_the_sha_256_of_what_it_says(): void
    {
        self::assertSame('e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855', hash('sha256', ''));
        self::assertSame(
            hash('sha256', '{"before":"'.Link::NONE.'","total":5}'),
            Link::of(['total' => 5], Link::NONE),
        );
        self::assertNotSame(Link::of(['total' => 5], Link::NONE), Link::of(['total' => 6], Link::NONE));
    }
}
