<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Carbon\CarbonImmutable;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Staff\Staff;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Elmstone\Support\ShopTime;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That somebody was called about what is late, and what they promised.
 *
 * @property int $id
 * @property int $customer_id
 * @property int $staff_id
 * @property string $spoke_to
 * @property string $note
 * @property Money|null $promised minor units
 * @property CarbonImmutable|null $promised_on
 * @property CarbonImmutable|null $call_again_on
 * @property CarbonImmutable $called_on
 * @property CarbonImmutable $called_at
 * @property-read Staff $staff
 * @property-read Customer $customer
 */
final class Call extends Record
{
    protected $table = 'calls';

    protected $casts = [
        'promised' => MoneyCast::class,
        'promised_on' => 'immutable_date',
        'call_again_on' => 'immutable_date',
        'called_on' => 'immutable_date',
        'called_at' => 'immutable_datetime',

    ];

    /**
     * Whether what was promised has not come: the day is over, and less than the promise was paid from the call to that
     * day. Where no amount was promised, anything at all keeps it.
     */
    public function isBroken(?CarbonImmutable $today = null): bool
    {
        if ($this->promised_on === null || ! $this->promised_on->lessThan(($today
            ?? ShopTime::today())->startOfDay())) {
            return false;
        }

        // What came and went back again was not paid.
        $paid = OpenItemRecord::query()
            ->whereNotExists(
                static fn ($query) => $query
                    ->from('documents as back')
                    ->whereColumn('back.refers_to_id', 'open_items.document_id')
                    ->whereIn('back.purpose', Purpose::takingPaymentsBack()),
            )
            ->where('customer_id', $this->customer_id)
            ->where('purpose', 'payment')
            ->whereBetween('business_date', [$this->called_on->format('Y-m-d'), $this->promised_on->format('Y-m-d')])
            ->sum('amount');

        return ! MoneyCast::read($paid)->isPositive() || $this->promised?->exceeds(MoneyCast::read($paid)) === true;
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return BelongsTo<Customer, $this> */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }
}
