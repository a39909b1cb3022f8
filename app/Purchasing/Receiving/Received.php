<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Receiving;

use Brick\Math\BigDecimal;
use Elmstone\Purchasing\Wanted;
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
        $rows = [];

        foreach ($served as $one) {
            $key = "{$one->agreement} {$one->line}";
            $rows[$key] = [
                'document_id' => $document,
                'agreement_id' => $one->agreement,
                'line' => $one->line,
                'quantity' => (string) $one->quantity->plus($rows[$key]['quantity'] ?? '0'),
            ];
        }

        foreach (array_chunk(array_values($rows), 500) as $chunk) {
            DB::table('delivery_served')->insert($chunk);
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
