<?php

declare(strict_types=1);

namespace Elmstone\Core\Catalogue;

use Elmstone\Core\Money\Refused;

/**
 * A Global Trade Item Number: 8, 12, 13 or 14 digits whose last is the check digit of the
 * GS1 General Specifications, section 7.9.1 (weights 3 and 1 from the right, complement to ten).
 */
final readonly class Gtin
{
    private function __construct(public string $digits)
    {
    }

    /** @throws Refused bad_barcode */
    public static function of(string $digits): self
    {
        if (preg_match('/^(\d{8}|\d{12,14})$/D', $digits) !== 1) {
            throw Refused::because('bad_barcode', 'A barcode has 8, 12, 13 or 14 digits.');
        }

        $check = self::checkDigit(substr($digits, 0, -1));

        return $check === (int) $digits[-1]
            ? new self($digits)
            : throw Refused::because(
                'bad_barcode',
                "The barcode’s last digit should be {$check}: one of its digits is wrong.",
            );
    }

    /** @param  string  $body the digits in front of the check digit */
    public static function checkDigit(string $body): int
    {
        $sum = 0;

        foreach (array_reverse(str_split($body)) as $place => $digit) {
            $sum += (int) $digit * ($place % 2 === 0 ? 3 : 1);
        }

        return (10 - ($sum % 10)) % 10;
    }

    /** All lengths written as the longest, so that the same article is the same key. */
    public function asFourteen(): string
    {
        return str_pad($this->digits, 14, '0', STR_PAD_LEFT);
    }
}
