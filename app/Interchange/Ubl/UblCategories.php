<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Ubl;

use Brick\Math\BigDecimal;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DocumentLine;
use Elmstone\Books\DocumentTax;
use Elmstone\Books\Drafts\Exempted;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Slip\Direction;
use Elmstone\Core\Tax\TaxComponent;
use Elmstone\Core\Tax\TaxProfile;

/** An invoice's lines by the rate they bear. */
final readonly class UblCategories
{
    /**
     * @param  array<string, UblCategory>  $all by category and rate
     * @param  array<int, string>  $keys by the line's position
     */
    private function __construct(public array $all, private array $keys)
    {
    }

    public static function of(Document $document): self
    {
        $exempted = Exempted::fromJson($document->exemption);
        $charged = $exempted === null ? self::profile($document)
            : $exempted->taxProfile()->without($exempted->exemption());
        $originals = self::originals($document);
        $all = [];
        $keys = [];

        foreach ($document->lines as $line) {
            $rate = TaxProfile::total(
                ($originals[$line->origin_document_id ?? 0] ?? $charged)->effectiveRates($line->tax_class),
            );
            $isExempt = $rate->isZero()
                && $exempted !== null
                && ! TaxProfile::total($exempted->taxProfile()->effectiveRates($line->tax_class))->isZero();
            [$code, $reason] = self::code($rate, $isExempt, $exempted->certificate ?? '');
            $key = "{$code} {$rate}";
            $keys[$line->position] = $key;
            $all[$key] = (
                $all[$key]
                ?? new UblCategory(
                    $code,
                    (string) $rate,
                    $reason,
                    $document->none(),
                    $document->none(),
                    $document->none(),
                )
            )->plus(...self::figures($document, $line));
        }

        return new self($all, $keys);
    }

    /** A fee that is kept back lowers what is credited: on a credit note it is an allowance, and no line. */
    public static function isKeptBack(Document $document, DocumentLine $line): bool
    {
        return $document->kind === DocumentKind::CreditNote && $line->direction === Direction::Out->value;
    }

    /** @return array{Money, Money, Money} the line without tax, its share of what comes off the whole, its tax */
    private static function figures(Document $document, DocumentLine $line): array
    {
        $amount = self::lineAmount($document, $line);

        return self::isKeptBack($document, $line)
            ? [$document->none(), $amount, $line->tax_total->negated()]
            : [
                $amount,
                $document->tax_included ? $document->none() : $line->slip_discount->plus($line->coupon_discount),
                $line->tax_total,
            ];
    }

    /** The taxes of the document; of a component that stands there at two rates, the later. */
    private static function profile(Document $document): TaxProfile
    {
        return TaxProfile::of(
            ...array_values(
                $document->taxes
                    ->map(
                        static fn (DocumentTax $tax): TaxComponent => new TaxComponent(
                            $tax->component,
                            $tax->rate,
                            $tax->classes,
                            $tax->on_top_of,
                        ),
                    )
                    ->keyBy('id')
                    ->all(),
            ),
        );
    }

    /** @return array<int, TaxProfile> the taxes that goods were sold with which come back, by their documents */
    private static function originals(Document $document): array
    {
        $ids = $document->lines->pluck('origin_document_id')->filter()->unique()->all();
        $profiles = [];

        foreach ($ids === [] ? [] : Document::query()->with('taxes')->whereIn('id', $ids)->get() as $original) {
            $exempted = Exempted::fromJson($original->exemption);
            $profiles[$original->id] = $exempted === null
                    ? self::profile($original)
                    : $exempted->taxProfile()->without($exempted->exemption());
        }

        return $profiles;
    }

    /**
     * What a line comes to without tax: before the whole-slip discount, or, where prices have tax in them, after
     * everything.
     */
    public static function lineAmount(Document $document, DocumentLine $line): Money
    {
        return $document->tax_included
            ? $line->net->minus($line->tax_total)
            : $line->gross->minus($line->line_discount);
    }

    public function ofLine(DocumentLine $line): UblCategory
    {
        return $this->all[$this->keys[$line->position]];
    }

    /** @return array{string, string} */
    private static function code(BigDecimal $rate, bool $isExempt, string $certificate): array
    {
        return match (true) {
            $isExempt => ['E', "Exempt by certificate {$certificate}"],
            $rate->isZero() => ['Z', ''],
            default => ['S', ''],
        };
    }
}
