<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Illuminate\Database\Eloquent\Model;

/**
 * @property string $code
 * @property string $role
 * @property string $name
 */
final class Account extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'code';

    protected $keyType = 'string';

    protected $guarded = [];
}
