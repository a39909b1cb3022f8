<?php

declare(strict_types=1);

namespace Elmstone\Receivables;

use Carbon\CarbonImmutable;
use Elmstone\Customers\Customer;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One account's statement in a run, with all that its paper says.
 *
 * @property int $id
 * @property int $run_id
 * @property int $customer_id
 * @property string $state wanted, made, mailing, mailed, failed or left out
 * @property StatementWay $way
 * @property int $amount_due minor units
 * @property array<string, mixed>|null $data
 * @property CarbonImmutable|null $made_at
 * @property CarbonImmutable|null $mailed_at
 * @property string $trouble
 * @property-read Customer $customer
 */
final class Statement extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['way' => StatementWay::class, 'data' => 'array', 'made_at' => 'immutable_datetime', 'mailed_at' => 'immutable_datetime'];

    /** @return BelongsTo<Customer, $this> */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }
}
