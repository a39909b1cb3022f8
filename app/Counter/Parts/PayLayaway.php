<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Closure;
use Elmstone\Agreements\LineChange;
use Elmstone\Catalogue\Serials;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PartKind;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Layaways\ChangeLayaway;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayState;

/** Puts payments on layaways on the slip, several in one visit. Nothing is posted by it. */
final class PayLayaway
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly PutCustomer $put,
        private readonly ChangeLayaway $changes,
    ) {
    }

    /**
     * A layaway found by its number, a scan or its customer. What is due on it is proposed; of one that is paid in full
     * the goods leave.
     *
     * @throws Refused not_running, not_theirs
     */
    public function add(string $slipKey, Act $act, Layaway $layaway): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($layaway): void {
            if (! $layaway->state->isOpen()) {
                throw Refused::because('not_running', "{$layaway->label} is {$layaway->state->value} already.");
            }

            if ($slip->customer_id !== null && $slip->customer_id !== $layaway->customer_id) {
                throw Refused::because(
                    'not_theirs',
                    "{$layaway->label} is {$layaway->customer->name}’s, not {$slip->customer_name}’s. Begin another "
                        .'slip for it.',
                );
            }

            if ($slip->customer_id === null) {
                $this->put->place($slip, $layaway->customer);
            }

            $parts = $slip->layawayParts();
            $parts[$layaway->id] ??= new LayawayPart(
                $layaway->id,
                $this->proposed($layaway, $slip),
                $layaway->state === LayawayState::Ready ? true : null,
            );
            $this->keep($slip, $parts);
        });
    }

    /** @param  Money|null  $amount null: not this one after all */
    public function amount(string $slipKey, Act $act, int $layaway, ?Money $amount): Slip
    {
        return $this->change(
            $slipKey,
            $act,
            $layaway,
            static fn (LayawayPart $part): ?LayawayPart => $amount === null ? null : $part->paying($amount),
        );
    }

    public function leaves(string $slipKey, Act $act, int $layaway, ?bool $leaves): Slip
    {
        return $this->change(
            $slipKey,
            $act,
            $layaway,
            static fn (LayawayPart $part): LayawayPart => $part->leaving($leaves),
        );
    }

    /**
     * Notes which pieces leave, on the layaway itself.
     *
     * @throws Refused bad_serial, serial_twice, serial_count, serial_out, serial_set_aside, not_there
     */
    public function serials(string $slipKey, Act $act, int $layaway, int $line, string $typed): Slip
    {
        return $this->change($slipKey, $act, $layaway, function (LayawayPart $part, Slip $slip) use (
            $act,
            $line,
            $typed,
        ): LayawayPart {
            $serials = Serials::read($typed);
            $stands = Layaway::query()->with('allLines.item')->findOrFail($part->layawayId);
            $goods = $stands->lines()->firstWhere('position', $line)
                ?? throw Refused::because('not_there', 'This line is not on the layaway any more.');
            Serials::assertComplete($goods->description, $goods->quantity, $serials, mayMiss: true);

            if ($serials !== ($goods->serials ?? [])) {
                $slip->paidOn[$part->layawayId] = $this->changes->lines(
                    $stands->id,
                    $stands->version,
                    [LineChange::serials($line, $serials)],
                    $act->till,
                    $act->by,
                );
            }

            return $part;
        });
    }

    public function drop(string $slipKey, Act $act, int $layaway): Slip
    {
        return $this->change($slipKey, $act, $layaway, static fn (): null => null);
    }

    /** @param  Closure(LayawayPart, Slip): (LayawayPart|null)  $do */
    private function change(string $slipKey, Act $act, int $layaway, Closure $do): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $layaway, $do): void {
            $this->desk->redraw($slip, $act);
            $parts = $slip->layawayParts();
            $part = $parts[$layaway] ?? throw Refused::because('not_there', 'This layaway is not on the slip any '
                .'more.');
            $changed = $do($part, $slip);
            unset($parts[$layaway]);
            $this->keep($slip, $changed === null ? $parts : $parts + [$layaway => $changed]);
        });
    }

    /** @param  array<int, LayawayPart>  $parts */
    private function keep(Slip $slip, array $parts): void
    {
        ksort($parts);
        $slip->keepParts(
            PartKind::Layaway,
            array_values(array_map(static fn (LayawayPart $part): array => $part->kept(), $parts)),
        );
    }

    /** What is due by today, else the next payment; never below the least. */
    private function proposed(Layaway $layaway, Slip $slip): Money
    {
        $ladder = $layaway->loadMissing('allInstalments')->ladder($slip->day());
        $due = $ladder->dueBy($slip->day()) ?? $ladder->firstUnmet()?->open();
        $least = $layaway->standing()->minPayment;

        return Money::min($layaway->remaining(), $due === null ? $least : Money::max($due, $least));
    }
}
