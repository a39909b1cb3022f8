<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Illuminate\Database\Eloquent\Model;

/**
 * A department of the shop; its sales have an account of their own.
 *
 * @property int $id
 * @property string $code
 * @property string $name
 */
final class Department extends Model
{
    public $timestamps = false;

    protected $guarded = [];
}
