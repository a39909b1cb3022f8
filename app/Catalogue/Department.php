<?php

declare(strict_types=1);

namespace Elmstone\Catalogue;

use Elmstone\Support\Database\Record;

/**
 * A department of the shop; its sales have an account of their own.
 *
 * @property int $id
 * @property string $code
 * @property string $name
 * @property string|null $reward_rate points per unit of net; null: as the programme has it
 */
final class Department extends Record
{
    protected $table = 'departments';
}
