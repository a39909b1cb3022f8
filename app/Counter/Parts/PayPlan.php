<?php

declare(strict_types=1);

namespace Elmstone\Counter\Parts;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Plans\Plan;
use Elmstone\Plans\PlanPart;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

/**
 * Puts a payment on a plan on the slip: what is due of its parts, or the next one. The money goes on the plan's parts
 * before anything else. Nothing is posted by it.
 */
final class PayPlan
{
    public function __construct(
        private readonly SlipDesk $desk,
        private readonly PutCustomer $put,
        private readonly House $house,
    ) {
    }

    /**
     * The plan that exactly this names: "PLN-000012", in any case and with or without zeros, or the number of one of
     * its parts.
     */
    public static function named(string $typed): ?Plan
    {
        $typed = trim($typed);

        return match (true) {
            preg_match('/^PLN-?0*(\d{1,9})$/i', $typed, $found) === 1 => Plan::query()
                ->with(['customer.type.priceLevel', 'parts.item'])
                ->find((int) $found[1]),
            preg_match('/^ADJ-\d{1,9}$/i', $typed) === 1 => Plan::query()
                ->with(['customer.type.priceLevel', 'parts.item'])
                ->whereIn(
                    'id',
                    DB::table('plan_parts as p')
                        ->join('documents as d', 'd.id', '=', 'p.document_id')
                        ->where('d.label', strtoupper($typed))
                        ->select('p.plan_id'),
                )
                ->first(),
            default => null,
        };
    }

    /** @throws Refused plan_paid, not_theirs */
    public function handle(string $slipKey, Act $act, Plan $plan): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($plan): void {
            $open = $plan->parts->filter(static fn (PlanPart $part): bool => $part->item->open->isPositive());

            match (true) {
                $open->isEmpty() => throw Refused::because('plan_paid', "Nothing is left to pay of {$plan->label}."),
                $slip->customer_id !== null && $slip->customer_id !== $plan->customer_id => throw Refused::because(
                    'not_theirs',
                    "{$plan->label} is {$plan->customer->name}’s, not {$slip->customer_name}’s. Begin another slip "
                        .'for it.',
                ),
                default => null,
            };

            if ($slip->customer_id === null) {
                $this->put->place($slip, $plan->customer);
            }

            $due = $open->filter(static fn (PlanPart $part): bool => $part->due->lessThanOrEqualTo($slip->day()));
            $amount = Money::sum(
                ($due->isEmpty() ? $open->take(1) : $due)->map(static fn (PlanPart $part): Money => $part->item->open),
                $this->house->currency(),
            );
            $slip->forceFill(['on_account' => $amount, 'plan_id' => $plan->id, 'on_items' => null])->save();
        });
    }

    /** @return list<int> the documents of its parts */
    public static function parts(int $plan): array
    {
        return array_values(
            array_map(
                static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0,
                DB::table('plan_parts')->where('plan_id', $plan)->orderBy('due')->pluck('document_id')->all(),
            ),
        );
    }
}
