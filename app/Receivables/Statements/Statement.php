<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Statements;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\OnItsWay;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use LogicException;

/**
 * One account's statement in a run, with all that its paper says.
 *
 * @phpstan-import-type Data from StatementPaper
 *
 * @property int $id
 * @property int $run_id
 * @property int $customer_id
 * @property string $state wanted, made, mailing, mailed, failed or left out
 * @property StatementWay $way
 * @property Money $amount_due minor units
 * @property Data|null $data null: not made yet
 * @property CarbonImmutable|null $made_at
 * @property CarbonImmutable|null $mailed_at
 * @property string $trouble
 * @property CarbonImmutable|null $mailing_at when it was handed to the mail server
 * @property-read Customer $customer
 */
final class Statement extends Record
{
    protected $table = 'statements';

    protected $casts = [
        'amount_due' => MoneyCast::class,
        'way' => StatementWay::class,
        'data' => 'array',
        'mailing_at' => 'immutable_datetime',
        'made_at' => 'immutable_datetime',
        'mailed_at' => 'immutable_datetime',
    ];

    /**
     * What its paper says.
     *
     * @return Data
     *
     * @throws LogicException when it is not made yet
     */
    public function paper(): array
    {
        return $this->data ?? throw new LogicException("Statement {$this->id} is not made yet.");
    }

    /** Whoever mailed it is gone, and nobody knows whether it went. */
    public function isUnsure(): bool
    {
        return OnItsWay::isUnsure($this->state, $this->mailing_at);
    }

    /** @return BelongsTo<Customer, $this> */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }
}
