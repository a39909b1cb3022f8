<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Suppliers;

use Carbon\CarbonImmutable;
use Elmstone\Support\Database\Record;

/**
 * Somebody goods are bought of.
 *
 * @property int $id
 * @property string $code
 * @property string $name
 * @property string $mail
 * @property string $phone
 * @property string $street
 * @property string $postcode
 * @property string $town
 * @property string $our_number what they call us by
 * @property int $lead_days from sending an order to its goods
 * @property string|null $owner_percent of what is sold of theirs; null: they are no owner
 * @property string $card_fee_percent passed on, of what was paid by card
 * @property int|null $customer_id who they are as a customer
 * @property bool $active
 * @property int $version
 */
final class Supplier extends Record
{
    protected $table = 'suppliers';

    protected $casts = ['active' => 'bool', 'lead_days' => 'int', 'version' => 'int'];

    /** When goods that are ordered on a day are to be expected. */
    public function expectedFrom(CarbonImmutable $day): CarbonImmutable
    {
        return $day->addDays($this->lead_days);
    }
}
