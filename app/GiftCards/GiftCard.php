<?php

declare(strict_types=1);

namespace Elmstone\GiftCards;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * What the shop owes in goods to whoever bears its number. Changed through GiftCardLedger only, under the row's lock.
 *
 * @property int $id
 * @property string $code what is kept of the number that counts now
 * @property string|null $number the number itself, encrypted, until it is printed once
 * @property int $balance minor units
 * @property CarbonImmutable $issued_on
 * @property CarbonImmutable|null $expires_on its last day; null: none
 * @property bool $blocked
 * @property CarbonImmutable $made_at
 * @property-read Collection<int, GiftCardChange> $changesMade
 */
final class GiftCard extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected $hidden = ['number'];

    protected $casts = [
        'balance' => 'int',
        'issued_on' => 'immutable_date',
        'expires_on' => 'immutable_date',
        'blocked' => 'bool',
        'made_at' => 'immutable_datetime',
    ];

    /** "•••• 7781": enough to know it again, too little to use it. */
    public function masked(): string
    {
        return KeptCode::masked($this->code);
    }

    public function isExpired(CarbonImmutable $day): bool
    {
        return $this->expires_on !== null && $this->expires_on->lessThan($day->startOfDay());
    }

    /** "expired on 3 Mar 2027", "blocked", or nothing where it can be used. */
    public function hindrance(CarbonImmutable $day): string
    {
        return match (true) {
            $this->blocked => 'is blocked',
            $this->isExpired($day) => 'expired on '.$this->expires_on?->format('j M Y'),
            default => '',
        };
    }

    /** @return HasMany<GiftCardChange, $this> */
    public function changesMade(): HasMany
    {
        return $this->hasMany(GiftCardChange::class)->orderBy('id');
    }
}
