<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Families;

use Elmstone\Support\Database\Record;

/**
 * A colour, a size: one value of one of a family's properties.
 *
 * @property int $family_id
 * @property int $axis 1 down the side, 2 across
 * @property int $position from 1, kept for good
 * @property string $value
 */
final class FamilyValue extends Record
{
    protected $table = 'family_values';

    public $incrementing = false;
}
