<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Support\Database\Record;

/**
 * @property string $code
 * @property string $role
 * @property string $name
 * @property string $number in the chart
 * @property AccountKind $kind
 * @property bool $by_hand added by the house, for entries by hand
 * @property int $version
 */
final class Account extends Record
{
    protected $table = 'accounts';

    public $incrementing = false;

    protected $primaryKey = 'code';

    protected $keyType = 'string';

    protected $casts = ['kind' => AccountKind::class, 'by_hand' => 'bool'];
}
