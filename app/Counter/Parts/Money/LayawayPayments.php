<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts\Money;

use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Parts\LayawayPart;
use Elmstone\Counter\Parts\TakenIn;
use Elmstone\Counter\Parts\TakesMoney;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Layaways\CompleteLayaway;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayLedger;
use Elmstone\Layaways\LayawayState;
use Elmstone\Layaways\Payable;
use Elmstone\Shop\House;

/** What is paid on layaways made before; their goods may leave with it. */
final readonly class LayawayPayments implements TakesMoney
{
    public function __construct(private House $house, private LayawayLedger $layaways)
    {
    }

    public function due(Slip $slip): Money
    {
        return Money::sum(
            array_map(static fn (LayawayPart $part): Money => $part->amount, $slip->layawayParts()),
            $this->house->currency(),
        );
    }

    public function words(): string
    {
        return 'on layaways';
    }

    public function alone(): null
    {
        return null;
    }

    public function heldAs(): HeldKind
    {
        return HeldKind::Layaway;
    }

    public function hindrances(ReckonedCounter $reckoned): array
    {
        return array_values(
            array_filter(
                array_map(
                    static fn (LayawayPart $part): ?Refused => self::refused($reckoned->slip, $part),
                    $reckoned->slip->layawayParts(),
                ),
                static fn (?Refused $refused): bool => $refused !== null,
            ),
        );
    }

    public function enter(TakenIn $in): void
    {
        foreach ($in->slip()->layawayParts() as $part) {
            $part->amount->isZero()
                || $this->layaways->pay(
                    $in->slip()->paidOn[$part->layawayId],
                    $in->receipt,
                    $part->amount,
                    $in->day(),
                );
        }
    }

    /** What hinders a payment on a layaway, or its goods to leave; null: nothing. */
    public static function refused(Slip $slip, LayawayPart $part): ?Refused
    {
        $layaway = $slip->layaway($part->layawayId);

        if ($layaway === null || $layaway->customer_id !== $slip->customer_id) {
            return Refused::because('not_theirs', 'This layaway is not this customer’s.');
        }

        try {
            self::assertPayable($slip, $layaway, $part);
            $part->leaves === true && CompleteLayaway::assertSerials($layaway);
        } catch (Refused $refused) {
            return $refused;
        }

        return null;
    }

    /** Whether the goods may leave with it, so that it must be asked. */
    public static function paysOff(Slip $slip, LayawayPart $part): bool
    {
        $layaway = $slip->layaway($part->layawayId);

        return $layaway !== null && $layaway->state->isOpen() && $layaway->remaining()->equals($part->amount);
    }

    private static function assertPayable(Slip $slip, Layaway $layaway, LayawayPart $part): void
    {
        if ($layaway->state === LayawayState::Ready && $part->amount->isZero() && $part->leaves === true) {
            return;
        }

        Payable::assert($layaway, $part->amount, $slip->day());

        if (self::paysOff($slip, $part) && $part->leaves === null) {
            throw Refused::because(
                'leaves_not_said',
                "{$layaway->label} is paid off with this. Do the goods leave now?",
            );
        }
    }
}
