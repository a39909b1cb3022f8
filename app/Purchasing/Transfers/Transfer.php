<?php

declare(strict_types=1);

namespace Elmstone\Purchasing\Transfers;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Shop\Location;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Goods that one location sends to another, from when they leave until all of them are counted in or missing. Written
 * by SendGoods and CountTransferIn only.
 *
 * @property int $id
 * @property string $label "TRF-000012"
 * @property string $key
 * @property int $from_id
 * @property int $to_id
 * @property int $staff_id
 * @property TransferState $state
 * @property CarbonImmutable $sent_on
 * @property CarbonImmutable $expected_on
 * @property CarbonImmutable|null $ended_on
 * @property string $note
 * @property int $document_id by which the goods left
 * @property int $version
 * @property-read Location $from
 * @property-read Location $to
 * @property-read Staff $staff
 * @property-read Document $document
 * @property-read Collection<int, TransferLine> $lines
 * @property-read Collection<int, TransferCount> $counts
 */
final class Transfer extends Record
{
    protected $table = 'transfers';

    protected $casts = [
        'state' => TransferState::class,
        'sent_on' => 'immutable_date',
        'expected_on' => 'immutable_date',
        'ended_on' => 'immutable_date',
        'version' => 'int',
    ];

    protected static function booted(): void
    {
        // Its number follows from its id.
        self::created(static function (self $transfer): void {
            $transfer->forceFill(['label' => sprintf('TRF-%06d', $transfer->id)])->save();
        });
    }

    public function getRouteKeyName(): string
    {
        return 'label';
    }

    /** @return BelongsTo<Location, $this> */
    public function from(): BelongsTo
    {
        return $this->belongsTo(Location::class, 'from_id');
    }

    /** @return BelongsTo<Location, $this> */
    public function to(): BelongsTo
    {
        return $this->belongsTo(Location::class, 'to_id');
    }

    /** @return BelongsTo<Staff, $this> */
    public function staff(): BelongsTo
    {
        return $this->belongsTo(Staff::class);
    }

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }

    /** @return HasMany<TransferLine, $this> */
    public function lines(): HasMany
    {
        return $this->hasMany(TransferLine::class)->orderBy('position');
    }

    public function at(int $position): ?TransferLine
    {
        return $this->lines->keyBy('position')->get($position);
    }

    /** @return HasMany<TransferCount, $this> */
    public function counts(): HasMany
    {
        return $this->hasMany(TransferCount::class)->orderBy('document_id')->orderBy('position');
    }

    public function isOnItsWay(): bool
    {
        return $this->state === TransferState::Sent;
    }

    public function isLate(CarbonImmutable $day): bool
    {
        return $this->isOnItsWay() && $this->expected_on < $day;
    }

    /** Whether its goods can be counted in at a place: where they go, or where they came from, if they come back. */
    public function endsAt(int $location): bool
    {
        return in_array($location, [$this->to_id, $this->from_id], true);
    }
}
