<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Back;

use Brick\Math\BigDecimal;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Origins;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\ReturnOnSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Shop\House;

/** The rows of what comes back on a slip: written, held against what can still come back. The slip locked. */
final class ReturnRows
{
    public function __construct(private readonly House $house)
    {
    }

    /** What comes back stays while a card was paid back for it and no document says so. */
    public static function assertNoCardPaid(Slip $slip): void
    {
        if ($slip->paysCardBack()) {
            throw Refused::because(
                'card_paid_back',
                'A card was paid back for what comes back here, or is being asked. Post the slip, or undo that at the '
                    .'terminal first.',
            );
        }
    }

    /** Where goods that come back go; a credit without goods is no such place. */
    public static function goodsTo(string $typed): ?GoodsTo
    {
        $to = GoodsTo::tryFrom($typed);

        return $to === GoodsTo::None ? null : $to;
    }

    /**
     * Whether so many can still come back, with all that comes back on this slip; of what is sold whole, no half,
     * unless it was sold by halves.
     *
     * @throws Refused more_than_left, whole_pieces
     */
    public function assertFits(Slip $slip, ReturnOnSlip $line): void
    {
        $origin = $line->origin();

        if ($origin === null) {
            $line->item?->assertSoldIn($line->quantity);

            return;
        }

        $origins = Origins::of($this->house->currency(), [$origin->documentId]);
        Quantity::of((string) $origins->line($origin)->quantity)->isWhole()
            && $line->item?->assertSoldIn($line->quantity);

        $onSlip = BigDecimal::of(
            (string) ReturnOnSlip::query()
                ->where('slip_id', $slip->id)
                ->where('origin_document_id', $origin->documentId)
                ->where('origin_position', $origin->position)
                ->sum('quantity'),
        )->stripTrailingZeros();
        $left = $origins
            ->returnable($origin)
            ->left()
            ->stripTrailingZeros();

        if ($onSlip->isGreaterThan($left)) {
            throw Refused::because(
                'more_than_left',
                $left->isZero()
                    ? "All of “{$line->description}” came back already."
                    : "Of “{$line->description}” only {$left} can still come back.",
            );
        }
    }

    /** @param  array<string, mixed>  $columns */
    public function put(Slip $slip, array $columns): ReturnOnSlip
    {
        return ReturnOnSlip::query()->create([
            'slip_id' => $slip->id,
            'position' => (int) ReturnOnSlip::query()->where('slip_id', $slip->id)->max('position') + 1,
            ...$columns,
        ]);
    }

    /** What was said of the money no longer holds when other goods come back; a card that was paid back stays. */
    public function changed(Slip $slip): void
    {
        $any = ReturnOnSlip::query()->where('slip_id', $slip->id)->exists();
        $slip->forceFill(['back' => $any ? [] : null, 'back_other' => null])->save();
    }
}
