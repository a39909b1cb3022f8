<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Elmstone\Support\Database\Record;

/**
 * Another place of a customer's, such as a site or a yard.
 *
 * @property int $id
 * @property int $customer_id
 * @property string $label
 * @property string $street
 * @property string $postcode
 * @property string $town
 * @property string $country ISO 3166-1 alpha-2
 */
final class Address extends Record
{
    protected $table = 'customer_addresses';
}
