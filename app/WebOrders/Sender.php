<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Elmstone\Customers\Customer;
use Elmstone\Orders\OrderWay;
use Elmstone\Shop\Location;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A web shop, or a firm's own system, that may send orders.
 *
 * @property int $id
 * @property string $code
 * @property string $name
 * @property int $location_id where their orders are taken
 * @property int $staff_id who answers for them
 * @property int|null $customer_id who orders for themselves only; null: for whoever is named
 * @property OrderWay $way how goods with an address reach it
 * @property string|null $token_hash
 * @property string $token_end the last four characters, to tell tokens apart
 * @property bool $active
 * @property-read Location $location
 * @property-read Staff $staff
 * @property-read Customer|null $customer
 */
final class Sender extends Record
{
    protected $table = 'web_senders';

    protected $casts = ['way' => OrderWay::class, 'active' => 'bool'];

    public function getRouteKeyName(): string
    {
        return 'code';
    }

    /** @return BelongsTo<Location, $this> */
    public function location(): BelongsTo
    {
        return $this->belongsTo(Location::class);
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

    /** Whose token this is; null: nobody's, or of one who may not send any more. */
    public static function withToken(string $token): ?self
    {
        return $token === '' ? null : self::query()
            ->where('token_hash', hash('sha256', $token))
            ->where('active', true)
            ->first();
    }

    /**
     * A token in place of the one before, which is worth nothing from now on.
     *
     * @return string the token: it is seen this once
     */
    public function renewToken(): string
    {
        $token = rtrim(strtr(base64_encode(random_bytes(32)), '+/', '-_'), '=');
        $this->forceFill(['token_hash' => hash('sha256', $token), 'token_end' => substr($token, -4)])->save();

        return $token;
    }
}
