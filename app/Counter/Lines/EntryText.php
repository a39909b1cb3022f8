<?php

declare(strict_types=1);

namespace Elmstone\Counter\Lines;

use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;

/** What was typed or scanned into the entry line: "4 x elbow" is four of something called elbow. */
final readonly class EntryText
{
    /** More than this is a slip of the hand, such as a barcode in the wrong place. */
    private const MOST = '999999';

    private function __construct(public Quantity $quantity, public string $text)
    {
    }

    /** @throws Refused bad_quantity, bad_number */
    public static function read(string $typed): self
    {
        return preg_match('/^\s*([\d.,·٫]+)\s*[xX×]\s+(.*\S)\s*$/u', $typed, $parts) === 1
            || preg_match('/^\s*([\d.,·٫]+)\s+[xX×]\s*(.*\S)\s*$/u', $typed, $parts) === 1
            ? new self(self::quantity($parts[1]), $parts[2])
            : new self(Quantity::of('1'), trim($typed));
    }

    /**
     * All that it can mean, the likeliest first: "4*LH-1140" and "4xLH-1140" may be four of an item, or what it is
     * called.
     *
     * @return non-empty-list<self>
     *
     * @throws Refused bad_quantity, bad_number
     */
    public static function readings(string $typed): array
    {
        $first = self::read($typed);

        return $first->text === trim($typed)
            && preg_match('/^\s*(\d{1,6}(?:[.,]\d{1,4})?)\s*[xX×*]\s*(\S.*?)\s*$/u', $typed, $parts) === 1
            ? [$first, new self(self::quantity($parts[1]), $parts[2])]
            : [$first];
    }

    /** @throws Refused bad_quantity, bad_number */
    public static function quantity(string $typed): Quantity
    {
        $plain = TypedNumber::plain($typed);
        $quantity = Quantity::of($plain);

        return $quantity->value->isGreaterThan(self::MOST)
            ? throw Refused::because(
                'bad_quantity',
                "{$plain} is more than ".self::MOST.'. Did a barcode land here?',
            )
            : $quantity;
    }
}
