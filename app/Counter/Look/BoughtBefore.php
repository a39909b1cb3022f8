<?php

declare(strict_types=1);

namespace Elmstone\Counter\Look;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\DocumentLine;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\UnitPrice;

/** Something a customer bought before, as they had it last. */
final readonly class BoughtBefore
{
    /** Invoices that are looked through, the latest first. */
    private const INVOICES = 60;

    private function __construct(
        public int $itemId,
        public string $code,
        public string $description,
        public Quantity $quantity,
        public UnitPrice $price,
        public string $off,
        public CarbonImmutable $day,
        public string $document,
        public int $times,
    ) {
    }

    /** @return list<self> each item once, what was bought last first */
    public static function by(int $customer): array
    {
        $invoices = Document::query()
            ->where('customer_id', $customer)
            ->where('kind', DocumentKind::Invoice)
            ->orderByDesc('id')
            ->limit(self::INVOICES)
            ->with('lines')
            ->get();
        $found = [];
        $times = [];

        foreach ($invoices as $invoice) {
            foreach ($invoice->lines as $line) {
                if ($line->item_id !== null && $line->direction === 'out') {
                    $times[$line->item_id] = ($times[$line->item_id] ?? 0) + 1;
                    $found[$line->item_id] ??= [$line, $invoice];
                }
            }
        }

        return array_values(array_map(
            static fn (array $one, int $item): self => self::of($one[0], $one[1], $times[$item] ?? 1),
            $found,
            array_keys($found),
        ));
    }

    private static function of(DocumentLine $line, Document $on, int $times): self
    {
        return new self(
            $line->item_id ?? 0,
            $line->code,
            $line->description,
            $line->quantity,
            $line->unit_price,
            $line->line_discount->isZero() ? '' : "−{$line->line_discount->toString()}",
            $on->business_date,
            $on->label,
            $times,
        );
    }
}
