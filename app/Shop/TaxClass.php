<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Illuminate\Database\Eloquent\Model;

/**
 * A class of goods that is taxed alike.
 *
 * @property string $code
 * @property string $letter what stands beside a line
 * @property string $name
 */
final class TaxClass extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'code';

    protected $keyType = 'string';

    protected $guarded = [];
}
