<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Letters;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\OnItsWay;
use Elmstone\Receivables\Statements\StatementWay;
use Elmstone\Staff\Staff;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A reminder letter that was sent, with all that its paper says.
 *
 * @property int $id
 * @property int $customer_id
 * @property int $staff_id
 * @property int $level from 1
 * @property string $state made, mailing, mailed or failed
 * @property StatementWay $way
 * @property Money $total minor units, its fee not in it
 * @property int|null $fee_document_id
 * @property CarbonImmutable $sent_on
 * @property array<string, mixed> $data
 * @property string $trouble
 * @property CarbonImmutable|null $mailing_at when it was handed to the mail server
 * @property-read Customer $customer
 * @property-read Staff $staff
 */
final class Letter extends Record
{
    protected $table = 'letters';

    protected $casts = [
        'total' => MoneyCast::class,
        'way' => StatementWay::class,
        'sent_on' => 'immutable_date',
        'data' => 'array',
        'mailing_at' => 'immutable_datetime',
        'level' => 'int',
    ];

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

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }
}
