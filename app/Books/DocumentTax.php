<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $document_id
 * @property int $position
 * @property string $component
 * @property string $name
 * @property string $rate percent
 * @property list<string> $classes
 * @property list<string> $on_top_of
 * @property int $base minor units
 * @property int $amount minor units
 */
final class DocumentTax extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $guarded = [];

    protected $casts = ['classes' => 'array', 'on_top_of' => 'array'];
}
