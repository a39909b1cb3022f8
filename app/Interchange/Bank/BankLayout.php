<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Elmstone\Support\Database\Record;

/**
 * How a bank's table is read, kept from its first file on.
 *
 * @property int $id
 * @property string $digest of its head
 * @property string $name the head itself, to be known again by people
 * @property array{names: array<string, string>, dates: string, mark: string} $columns
 * @property int $staff_id
 */
final class BankLayout extends Record
{
    protected $table = 'bank_layouts';

    public $timestamps = true;

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = ['columns' => 'array'];
}
