<?php

declare(strict_types=1);

namespace Elmstone\Purchasing;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Elmstone\Catalogue\Unit;
use Elmstone\Labels\ListsForLabels;

/** Labels for what came in by a purchase: one for each piece, one for what is measured or counted by the hundred. */
final readonly class PurchaseLabels implements ListsForLabels
{
    public function name(): string
    {
        return 'purchase';
    }

    public function items(array $asked): iterable
    {
        $purchase = Purchase::query()->with('lines.item')->where('label', $asked['label'] ?? '')->first();

        foreach ($purchase->lines ?? [] as $line) {
            $received = BigDecimal::of($line->received);

            if ($received->isPositive()) {
                yield [$line->item, in_array($line->item->unit, [Unit::Each, Unit::Box], true)
                    ? $received->toScale(0, RoundingMode::UP)->toInt()
                    : 1];
            }
        }
    }
}
