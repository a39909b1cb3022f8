<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Carbon\CarbonImmutable;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A file from the bank, brought in once.
 *
 * @property int $id
 * @property string $digest SHA-256 of its bytes
 * @property string $name
 * @property string $format
 * @property string $account
 * @property string $statement
 * @property string $state open, done, or waiting for somebody to say what its columns are
 * @property string|null $content its bytes, while it waits
 * @property CarbonImmutable $created_at
 * @property-read Staff $staff
 */
final class BankFile extends Record
{
    protected $table = 'bank_files';

    public $timestamps = true;

    public const UNREAD = 'columns';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected $casts = ['created_at' => 'immutable_datetime'];

    public function isUnread(): bool
    {
        return $this->state === self::UNREAD;
    }

    /** Done when nothing in it waits for somebody. */
    public function settle(): void
    {
        $this->forceFill(['state' => $this->entries()->where('state', 'open')->exists() ? 'open' : 'done'])->save();
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return HasMany<BankEntry, $this> */
    public function entries(): HasMany
    {
        return $this->hasMany(BankEntry::class)->orderBy('position');
    }
}
