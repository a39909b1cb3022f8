<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Elmstone\Support\Database\Record;

/**
 * A class of goods that is taxed alike.
 *
 * @property string $code
 * @property string $letter what stands beside a line
 * @property string $name
 */
final class TaxClass extends Record
{
    protected $table = 'tax_classes';

    public $incrementing = false;

    protected $primaryKey = 'code';

    protected $keyType = 'string';
}
