<?php

declare(strict_types=1);

namespace Elmstone\Attachments;

use Carbon\CarbonImmutable;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A picture or a paper as it is kept. What it holds is read by its own page only.
 *
 * @property int $id
 * @property string $of
 * @property int $of_id
 * @property string $name
 * @property string $mime
 * @property int $size bytes
 * @property string $digest SHA-256
 * @property string $bytes empty once it was removed
 * @property int $staff_id
 * @property CarbonImmutable $kept_at
 * @property CarbonImmutable|null $removed_at
 * @property-read Staff $staff
 */
final class Attachment extends Record
{
    /** All but what it holds: lists are read without that. */
    public const LISTED = ['id', 'of', 'of_id', 'name', 'mime', 'size', 'staff_id', 'kept_at'];

    protected $table = 'attachments';

    protected $casts = ['kept_at' => 'immutable_datetime', 'removed_at' => 'immutable_datetime', 'size' => 'int'];

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    public function isPicture(): bool
    {
        return $this->mime !== CheckedFile::PDF;
    }

    /** "214 KB", "1.3 MB" */
    public function sizeSaid(): string
    {
        return $this->size < 1_000_000
            ? max(1, (int) round($this->size / 1000)).' KB'
            : number_format($this->size / 1_000_000, 1).' MB';
    }
}
