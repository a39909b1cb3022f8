<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Receivables\Terms;
use Elmstone\Core\Receivables\TermsKind;
use Elmstone\Customers\Contact;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Statements\StatementKind;
use Elmstone\Receivables\Statements\StatementWay;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A customer's right to charge. Its balance is changed through Ledger only, under the row's lock.
 *
 * @property int $customer_id
 * @property Money $credit_limit minor units
 * @property TermsKind $terms_kind
 * @property int $terms_days
 * @property Percentage|null $discount_percent settlement discount
 * @property int $discount_days
 * @property int $allowed_overdue_days
 * @property bool $purchase_order_required
 * @property string|null $buyer optional or named; null: named where anybody of theirs has a limit
 * @property StatementKind $statement_kind
 * @property StatementWay $statement_way
 * @property bool $finance_charges
 * @property bool $letters whether it gets reminder letters when late
 * @property bool $stopped
 * @property string $stop_reason
 * @property CarbonImmutable $opened_on
 * @property CarbonImmutable|null $closed_on
 * @property CarbonImmutable|null $review_on when its terms are looked at again
 * @property Money $balance minor units; below zero: the shop owes them
 * @property Money $orders ordered and to be charged, not supplied yet
 * @property int|null $head_id its head office; of a head office: itself; null: it stands on its own
 * @property int $version
 * @property-read Customer $customer
 */
final class HouseAccount extends Record
{
    protected $table = 'house_accounts';

    protected $primaryKey = 'customer_id';

    public $incrementing = false;

    protected $casts = [
        'credit_limit' => MoneyCast::class,
        'balance' => MoneyCast::class,
        'orders' => MoneyCast::class,
        'discount_percent' => PercentageCast::class,
        'terms_kind' => TermsKind::class,
        'statement_kind' => StatementKind::class,
        'statement_way' => StatementWay::class,
        'terms_days' => 'int',
        'discount_days' => 'int',
        'allowed_overdue_days' => 'int',
        'purchase_order_required' => 'bool',
        'finance_charges' => 'bool',
        'letters' => 'bool',
        'stopped' => 'bool',
        'opened_on' => 'immutable_date',
        'closed_on' => 'immutable_date',
        'review_on' => 'immutable_date',
    ];

    /**
     * Whether a charge needs the name of who buys: as the account says, else where anybody of theirs has a limit, or
     * may not buy.
     */
    public function buyerMustBeNamed(): bool
    {
        return $this->buyer === null
            ? Contact::query()
                ->where('customer_id', $this->customer_id)
                ->where('active', true)
                ->where(static fn ($query) => $query->whereNotNull('spending_limit')->orWhere('may_buy', false))
                ->exists()
            : $this->buyer === 'named';
    }

    public function terms(): Terms
    {
        return Terms::of(
            $this->terms_kind,
            $this->terms_days,
            $this->discount_percent === null ? null : $this->discount_percent,
            $this->discount_days,
        );
    }

    /** @return BelongsTo<Customer, $this> */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }
}
