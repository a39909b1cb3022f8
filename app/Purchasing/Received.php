<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Brick\Math\BigDecimal;
use Illuminate\Support\Facades\DB;

/** What came in by a document, and whom it went to at once. */
final readonly class Received
{
    /** What is written down to be said to those who got something. */
    public const WHAT = 'arrived';

    /** @param  list<Wanted>  $served */
    private function __construct(public int $document, public array $served)
    {
    }

    /** @param  list<Wanted>  $served */
    public static function keep(int $document, array $served): void
    {
        foreach ($served as $one) {
            DB::statement(
                'INSERT INTO delivery_served (document_id, agreement_id, line, quantity) VALUES (?, ?, ?, ?) '
                    .'ON DUPLICATE KEY UPDATE quantity = quantity + VALUES(quantity)',
                [$document, $one->agreement, $one->line, (string) $one->quantity],
            );
        }
    }

    public static function of(int $document): self
    {
        $rows = DB::table('delivery_served')
            ->where('document_id', $document)
            ->orderBy('agreement_id')
            ->orderBy('line')
            ->get();

        return new self($document, array_values($rows->map(static fn (object $row): Wanted => new Wanted(
            (int) $row->agreement_id,
            (int) $row->line,
            0,
            BigDecimal::of((string) $row->quantity)->stripTrailingZeros(),
        ))->all()));
    }

    /** @return list<int> agreements that got something, in order */
    public function agreements(): array
    {
        return array_values(array_unique(array_map(static fn (Wanted $one): int => $one->agreement, $this->served)));
    }
}
