<?php

declare(strict_types=1);

namespace Elmstone\Customers;

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
 * @property int|null $spending_limit minor units per sale; null: as far as the account goes
 * @property bool $active
 */
final class Contact extends Record
{
    protected $table = 'contacts';

    protected $casts = ['may_buy' => 'bool', 'active' => 'bool', 'spending_limit' => 'int'];

    /** @param  int  $minor what they want to charge, in minor units */
    public function mayBuyFor(int $minor): bool
    {
        return $this->active && $this->may_buy && ($this->spending_limit === null || $minor <= $this->spending_limit);
    }
}
