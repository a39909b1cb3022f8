<?php

declare(strict_types=1);

namespace Elmstone\Staff\Approvals;

use Carbon\CarbonImmutable;
use Elmstone\Core\Approvals\ApprovalKind;
use Elmstone\Core\Approvals\Scope;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That someone allowed something up to certain figures, and why. Insert-only; nobody approves what they ask for
 * themselves.
 *
 * @property int $id
 * @property int $asked_by
 * @property int $approved_by
 * @property int|null $slip_id
 * @property string $place what on the slip it is for: "line.12", "charge", "refund"
 * @property string $what its kind
 * @property string $detail
 * @property string $reason
 * @property string|null $figures as Scope writes them; null: from before figures were kept
 * @property CarbonImmutable $approved_at
 * @property-read Staff $approver
 */
final class Approval extends Record
{
    protected $table = 'approvals';

    protected $casts = ['approved_at' => 'immutable_datetime'];

    /** What it covers; null: it is from before figures were kept, and covers nothing that is not posted yet. */
    public function scope(): ?Scope
    {
        $kind = ApprovalKind::tryFrom($this->what);

        return $kind === null || $this->figures === null ? null : Scope::fromJson($kind, $this->figures);
    }

    public function covers(Scope $needed): bool
    {
        return $this->scope()?->covers($needed) === true;
    }

    /** @return BelongsTo<Staff, $this> */
    public function approver(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'approved_by');
    }
}
