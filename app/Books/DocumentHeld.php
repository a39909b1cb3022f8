<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Elmstone\Core\Money\Money;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;

/**
 * What a document did to money held of one kind. Read-only.
 *
 * @property int $document_id
 * @property HeldKind $kind
 * @property Money $amount below zero: it left
 */
final class DocumentHeld extends Record
{
    protected $table = 'document_held';

    public $incrementing = false;

    protected $casts = [
        'amount' => MoneyCast::class,
        'kind' => HeldKind::class,
    ];
}
