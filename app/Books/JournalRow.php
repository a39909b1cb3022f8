<?php

declare(strict_types=1);

namespace Elmstone\Books;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $document_id
 * @property int $position
 * @property string $account
 * @property int $debit minor units
 * @property int $credit minor units
 * @property-read Account $named
 */
final class JournalRow extends Model
{
    protected $table = 'journal_lines';

    public $timestamps = false;

    public $incrementing = false;

    protected $guarded = [];

    /** @return BelongsTo<Account, $this> */
    public function named(): BelongsTo
    {
        return $this->belongsTo(Account::class, 'account', 'code');
    }
}
