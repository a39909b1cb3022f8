<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Brick\Math\BigDecimal;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentLine;
use Elmstone\Books\DocumentTax;
use Elmstone\Books\Exempted;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Tax\TaxComponent;
use Elmstone\Core\Tax\TaxProfile;

/** An invoice's lines by the rate they bear. */
final readonly class UblCategories
{
    /**
     * @param  array<string, UblCategory>  $all by category and rate
     * @param  array<string, string>  $keys by tax class
     */
    private function __construct(public array $all, private array $keys)
    {
    }

    public static function of(Document $document): self
    {
        $exempted = Exempted::fromJson($document->exemption);
        $charged = $exempted?->taxProfile()->without($exempted->exemption()) ?? TaxProfile::of(...$document->taxes->map(static fn (DocumentTax $tax): TaxComponent => new TaxComponent($tax->component, Percentage::of($tax->rate), $tax->classes, $tax->on_top_of))->all());
        $all = [];
        $keys = [];

        foreach ($document->lines as $line) {
            $rate = TaxProfile::total($charged->effectiveRates($line->tax_class));
            $isExempt = $rate->isZero() && $exempted !== null && ! TaxProfile::total($exempted->taxProfile()->effectiveRates($line->tax_class))->isZero();
            [$code, $reason] = self::code($rate, $isExempt, $exempted->certificate ?? '');
            $key = "{$code} {$rate}";
            $keys[$line->tax_class] = $key;
            $all[$key] = ($all[$key] ?? new UblCategory($code, (string) $rate, $reason, $document->money(0), $document->money(0), $document->money(0)))
                ->plus(self::lineAmount($document, $line), $document->money($document->tax_included ? 0 : $line->slip_discount), $document->money($line->tax_total));
        }

        return new self($all, $keys);
    }

    /** What a line comes to without tax: before the whole-slip discount, or, where prices have tax in them, after everything. */
    public static function lineAmount(Document $document, DocumentLine $line): Money
    {
        return $document->money($document->tax_included ? $line->net - $line->tax_total : $line->gross - $line->line_discount);
    }

    public function ofLine(DocumentLine $line): UblCategory
    {
        return $this->all[$this->keys[$line->tax_class]];
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
