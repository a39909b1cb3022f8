<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;

/**
 * Someone who comes for a customer.
 *
 * @property int $id
 * @property int $customer_id
 * @property string $name
 * @property string $phone
 * @property string $mail
 * @property bool $may_buy
 * @property Money|null $spending_limit minor units per sale; null: as far as the account goes
 * @property bool $active
 */
final class Contact extends Record
{
    protected $table = 'contacts';

    protected $casts = [
        'spending_limit' => MoneyCast::class,
        'may_buy' => 'bool', 'active' => 'bool',
    ];

    /** @param  Money  $amount what they want to charge */
    public function mayBuyFor(Money $amount): bool
    {
        return $this->active
            && $this->may_buy
            && ($this->spending_limit === null || ! $amount->exceeds($this->spending_limit));
    }
}
