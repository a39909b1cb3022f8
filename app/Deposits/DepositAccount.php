<?php

declare(strict_types=1);

namespace Elmstone\Deposits;

use Illuminate\Database\Eloquent\Model;

/**
 * What is held for a customer in deposits. Changed through DepositLedger only, under the row's lock.
 *
 * @property int $customer_id
 * @property int $held minor units
 */
final class DepositAccount extends Model
{
    protected $primaryKey = 'customer_id';

    public $incrementing = false;

    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['held' => 'int'];
}
