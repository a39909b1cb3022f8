<?php

declare(strict_types=1);

namespace Elmstone\Held\Cards;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * What the shop owes in goods to whoever bears its number. Changed through GiftCardLedger only, under the row's lock;
 * what it is worth stands on an account of money held.
 *
 * @property int $id
 * @property string $code what is kept of the number that counts now
 * @property string|null $number the number itself, encrypted, until it is printed once
 * @property int $account_id
 * @property CarbonImmutable $issued_on
 * @property CarbonImmutable|null $expires_on its last day; null: none
 * @property bool $blocked
 * @property CarbonImmutable $made_at
 * @property-read HeldAccount $account
 * @property-read Collection<int, GiftCardChange> $changesMade
 */
final class GiftCard extends Record
{
    protected $table = 'gift_cards';

    protected $with = ['account'];

    protected $hidden = ['number'];

    protected $casts = [
        'issued_on' => 'immutable_date',
        'expires_on' => 'immutable_date',
        'blocked' => 'bool',
        'made_at' => 'immutable_datetime',
    ];

    /** What it is worth now. */
    public function balance(): Money
    {
        return $this->account->balance;
    }

    /**
     * @param  list<int>  $ids
     * @return list<string> their codes
     */
    public static function codes(array $ids): array
    {
        return array_values(
            array_map(strval(...), self::query()->toBase()->whereIn('id', $ids)->orderBy('id')->pluck('code')->all()),
        );
    }

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

    /** @return BelongsTo<HeldAccount, $this> */
    public function account(): BelongsTo
    {
        return $this->belongsTo(HeldAccount::class);
    }

    /** @return HasMany<GiftCardChange, $this> */
    public function changesMade(): HasMany
    {
        return $this->hasMany(GiftCardChange::class)->orderBy('id');
    }
}
