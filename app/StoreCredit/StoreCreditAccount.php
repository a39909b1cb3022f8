<?php

declare(strict_types=1);

namespace Elmstone\StoreCredit;

use Illuminate\Database\Eloquent\Model;

/**
 * What the shop owes a customer in goods. Changed through StoreCreditLedger only, under the row's lock.
 *
 * @property int $customer_id
 * @property int $held minor units
 */
final class StoreCreditAccount extends Model
{
    protected $primaryKey = 'customer_id';

    public $incrementing = false;

    public $timestamps = false;

    protected $guarded = [];

    protected $casts = ['held' => 'int'];
}
