<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Illuminate\Database\Eloquent\Model;

/**
 * What a document did to money held of one kind. Read-only.
 *
 * @property int $document_id
 * @property HeldKind $kind
 * @property int $amount minor units; below zero: it left
 */
final class DocumentHeld extends Model
{
    protected $table = 'document_held';

    public $timestamps = false;

    public $incrementing = false;

    protected $guarded = [];

    protected $casts = ['kind' => HeldKind::class, 'amount' => 'int'];
}
