<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Settlement\Surcharge;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;

/**
 * What paying by one kind of card costs at one place. A kind without a row costs nothing.
 *
 * @property int $id
 * @property int $location_id
 * @property string $card_type as terminals say it: credit, debit
 * @property Percentage $percent
 * @property Money|null $cap minor units; null: none
 */
final class CardSurcharge extends Record
{
    /** The kinds that terminals tell apart. */
    public const TYPES = ['credit', 'debit'];

    protected $table = 'card_surcharges';

    protected $casts = ['percent' => PercentageCast::class, 'cap' => MoneyCast::class];

    public function toValue(): Surcharge
    {
        return new Surcharge($this->percent, $this->cap);
    }

    /** Whether any kind of card costs something there. */
    public static function isAskedAt(int $location): bool
    {
        return self::query()->where('location_id', $location)->exists();
    }

    /** Null: a card of this kind costs nothing there. */
    public static function at(int $location, string $cardType): ?self
    {
        return self::query()->where('location_id', $location)->where('card_type', $cardType)->first();
    }
}
