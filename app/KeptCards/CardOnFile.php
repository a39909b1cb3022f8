<?php

declare(strict_types=1);

namespace Elmstone\KeptCards;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;
use Elmstone\Support\Database\Record;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A card that a customer left with the house. What is asked later is the terminal’s word for it; its number is the
 * terminal’s alone.
 *
 * @property int $id
 * @property int $customer_id
 * @property string|null $token the terminal’s; null: it was removed
 * @property string $card_type
 * @property string $last_four
 * @property CarbonImmutable $expires the last day of its month
 * @property string $name what they call it, or whose it is
 * @property Consent $consent how they agreed
 * @property CarbonImmutable $consent_on
 * @property int $kept_by
 * @property CarbonImmutable|null $removed_on
 * @property int|null $removed_by
 * @property-read Staff $keeper
 */
final class CardOnFile extends Record
{
    protected $table = 'cards_on_file';

    protected $casts = [
        'expires' => 'immutable_date',
        'consent' => Consent::class,
        'consent_on' => 'immutable_date',
        'removed_on' => 'immutable_date',
    ];

    /** @return Collection<int, self> those that are kept, the newest first */
    public static function of(int $customer): Collection
    {
        return self::query()
            ->where('customer_id', $customer)
            ->whereNull('removed_on')
            ->orderByDesc('id')
            ->get();
    }

    /**
     * A card as it may be used now for a customer. Within a transaction: it stays kept until that ends.
     *
     * @throws Refused card_removed, not_their_card, card_ran_out
     */
    public static function usable(int $id, ?int $customer): self
    {
        $card = self::query()->whereKey($id)->sharedLock()->first();

        return match (true) {
            $card === null, $card->customer_id !== $customer => throw Refused::because(
                'not_their_card',
                'This card is not on file for who this slip is for.',
            ),
            $card->token === null => throw Refused::because(
                'card_removed',
                "The card ending {$card->last_four} was taken off file. Ask for it again, or for another.",
            ),
            $card->hasRunOut() => throw Refused::because(
                'card_ran_out',
                "The card ending {$card->last_four} ran out with {$card->expires->format('m/y')}. Keep their new one.",
            ),
            default => $card,
        };
    }

    /** Whether it is the card of a customer, also where it was taken off file since. */
    public static function isOf(int $id, ?int $customer): bool
    {
        return $customer !== null && self::query()->whereKey($id)->where('customer_id', $customer)->exists();
    }

    /** @return BelongsTo<Staff, $this> */
    public function keeper(): BelongsTo
    {
        return $this->belongsTo(Staff::class, 'kept_by');
    }

    public function hasRunOut(): bool
    {
        return $this->expires->endOfDay()->lessThan(ShopTime::today());
    }

    /** Whether it runs out within two months. */
    public function runsOutSoon(): bool
    {
        return ! $this->hasRunOut() && $this->expires->lessThan(ShopTime::today()->addMonthsNoOverflow(2));
    }

    /** "credit ending 4821" */
    public function words(): string
    {
        return "{$this->card_type} ending {$this->last_four}";
    }

    /** "agreed in person on 12 Mar 2027" */
    public function consentWords(): string
    {
        return "agreed {$this->consent->words()} on ".Show::date($this->consent_on);
    }
}
