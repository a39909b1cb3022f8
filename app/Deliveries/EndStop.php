<?php

declare(strict_types=1);

namespace Elmstone\Deliveries;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Refused;
use Elmstone\Orders\Order;
use Elmstone\Orders\Picking\PickOrder;
use Elmstone\Orders\Supply\Leaving;
use Elmstone\Orders\Supply\SupplyInOffice;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\Signature;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;

/**
 * A stop is over: goods were taken, all or part of them, or it failed. What was taken is invoiced at once where the
 * account or the deposit pays for it; where money was collected it is settled at the counter, which proposes exactly
 * what was taken. What was not taken stays set aside.
 */
final class EndStop
{
    public function __construct(private readonly SupplyInOffice $supply, private readonly PickOrder $pick)
    {
    }

    /**
     * @param  array<int, BigDecimal>  $taken by position
     * @param  string  $why what was refused, where less was taken than was brought
     *
     * @throws Refused ended_already, changed_elsewhere, nothing_taken, more_than_loaded, reason_missing, name_missing,
     *     bad_signature
     */
    public function delivered(
        int $stop,
        int $version,
        array $taken,
        string $why,
        string $name,
        string $signature,
        Till $till,
        Staff $by,
    ): Stop {
        Signature::assertPath($signature);
        $name === '' && throw Refused::because('name_missing', 'Type who has taken the goods.');
        $ended = DB::transaction(function () use ($stop, $version, $taken, $why, $name, $signature, $by): Stop {
            $locked = $this->planned($stop, $version);
            $leaving = $this->leaving($locked, $taken, $why);
            $locked->forceFill([
                'state' => StopState::Delivered,
                'left' => array_map(strval(...), $leaving->quantities),
                'said' => mb_substr($why, 0, 255),
                'signed_by' => mb_substr($name, 0, 120),
                'signature' => $signature === '' ? null : $signature,
                'ended_at' => now(),
                'ended_by' => $by->id,
                'not_invoiced' => 'its invoice is being made',
                'version' => $locked->version + 1,
            ])->save();
            $this->pick->taken($locked->agreement_id, $leaving);

            return $locked;
        }, 3);

        return $this->invoice($ended, $till, $by);
    }

    /** @throws Refused ended_already, changed_elsewhere, reason_missing */
    public function failed(int $stop, int $version, string $why, Staff $by): Stop
    {
        $why === '' && throw Refused::because('reason_missing', 'Say why it was not delivered.');

        return DB::transaction(function () use ($stop, $version, $why, $by): Stop {
            $locked = $this->planned($stop, $version);
            $locked->forceFill([
                'state' => StopState::Failed,
                'said' => mb_substr($why, 0, 255),
                'ended_at' => now(),
                'ended_by' => $by->id,
                'version' => $locked->version + 1,
            ])->save();

            return $locked;
        }, 3);
    }

    /**
     * The invoice of what was taken, where nothing stands against it; else why there is none stands with the stop. The
     * same stop is invoiced once, however often it is tried.
     */
    public function invoice(Stop $stop, Till $till, Staff $by): Stop
    {
        $order = $this->order($stop->agreement_id);

        try {
            self::assertWaits($stop, $order);
            $document = $this->supply->handle(
                $order->id,
                $order->version,
                Leaving::of(
                    array_map(BigDecimal::of(...), $stop->left ?? []),
                    $order->leavesNow($till->location_id)->serials,
                ),
                $till,
                $by,
                Uuid::uuid5(Uuid::NAMESPACE_OID, "stop {$stop->id}")->toString(),
            );
            $stop->forceFill(['document_id' => $document, 'not_invoiced' => ''])->save();
        } catch (Refused $refused) {
            $stop->forceFill(['not_invoiced' => mb_substr($refused->getMessage(), 0, 255)])->save();
        }

        return $stop;
    }

    /**
     * Whether what was taken still stands as picked: settled at the counter it does not.
     *
     * @throws Refused settled_elsewhere
     */
    private static function assertWaits(Stop $stop, Order $order): void
    {
        foreach ($stop->left ?? [] as $position => $taken) {
            $pick = $order->picks->firstWhere('position', $position);
            $order->line($position)?->isFee() === true
                || ($pick !== null && BigDecimal::of($pick->quantity)->isEqualTo($taken))
                || throw Refused::because(
                    'settled_elsewhere',
                    "What was taken of {$order->label} was settled at the counter, or the order was changed.",
                );
        }
    }

    /** @param  array<int, BigDecimal>  $taken by position */
    private function leaving(Stop $stop, array $taken, string $why): Leaving
    {
        $loaded = Load::leaving($this->order($stop->agreement_id), $stop->vehicle->location_id);
        $leaving = Leaving::of(array_intersect_key($taken, $loaded->quantities), $loaded->serials);
        $leaving->isEmpty() && throw Refused::because(
            'nothing_taken',
            'Nothing of it was taken: then it was not delivered. Say why below.',
        );
        $isLess = false;

        foreach ($loaded->quantities as $position => $brought) {
            $now = $leaving->quantities[$position] ?? BigDecimal::zero();
            $now->isGreaterThan($brought)
                && throw Refused::because('more_than_loaded', "Only {$brought} of line {$position} were brought.");
            $isLess = $isLess || $now->isLessThan($brought);
        }

        $isLess && $why === '' && throw Refused::because('reason_missing', 'Say why not all of it was taken.');

        return $leaving;
    }

    private function planned(int $stop, int $version): Stop
    {
        $locked = Stop::lock($stop, $version)->load('vehicle');

        return $locked->state === StopState::Planned
            ? $locked
            : throw Refused::because('ended_already', "This stop is {$locked->state->words()} already.");
    }

    private function order(int $id): Order
    {
        return Order::query()->with(['progress', 'picks', 'allLines.item', 'customer', 'location'])->findOrFail($id);
    }
}
