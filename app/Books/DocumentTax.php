<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;

/**
 * @property int $document_id
 * @property int $position
 * @property string $component
 * @property string $name
 * @property Percentage $rate percent
 * @property list<string> $classes
 * @property list<string> $on_top_of
 * @property Money $base
 * @property Money $amount
 */
final class DocumentTax extends Record
{
    protected $table = 'document_taxes';

    public $incrementing = false;

    protected $casts = [
        'base' => MoneyCast::class,
        'amount' => MoneyCast::class,
        'rate' => PercentageCast::class,
        'classes' => 'array', 'on_top_of' => 'array',
    ];
}
