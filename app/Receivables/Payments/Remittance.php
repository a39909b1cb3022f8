<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Elmstone\Receivables\Ledger\OpenItemRecord;
use Illuminate\Support\Collection;

/** Finds the invoices that a remittance or a bank's text names: "INV-024871, 25120 and 25333". */
final class Remittance
{
    /**
     * @param  Collection<int, OpenItemRecord>  $items
     * @return list<string> labels of the items named, in the items' order
     */
    public static function named(string $text, Collection $items): array
    {
        preg_match_all('/\d{3,}/', $text, $found);
        $numbers = array_map(static fn (string $digits): string => ltrim($digits, '0'), $found[0]);

        return array_values(
            $items
                ->filter(
                    static fn (OpenItemRecord $item): bool => in_array(
                        ltrim(preg_replace('/\D/', '', $item->label) ?? '', '0'),
                        $numbers,
                        true,
                    ),
                )
                ->pluck('label')
                ->map(static fn (mixed $label): string => is_string($label) ? $label : '')
                ->all(),
        );
    }
}
