<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Support\Database\Record;

/**
 * @property string $code
 * @property string $role
 * @property string $name
 */
final class Account extends Record
{
    protected $table = 'accounts';

    public $incrementing = false;

    protected $primaryKey = 'code';

    protected $keyType = 'string';
}
