<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Support\Casts\PercentageCast;
use Elmstone\Support\Database\Record;
use Elmstone\Support\ShopTime;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A shop or yard with its own tills, stock and tax profile.
 *
 * @property int $id
 * @property string $code
 * @property string $name
 * @property string $street
 * @property string $town
 * @property string $phone
 * @property int $tax_profile_id
 * @property CarbonImmutable $closed_through
 * @property string $surcharge_words what the law wants said before a card is asked
 * @property string|null $surcharge_class its tax class; null: not taxed
 * @property Percentage|null $surcharge_most of what a card pays, by law; null: not said
 * @property-read TaxProfileRecord $taxProfile
 */
final class Location extends Record
{
    protected $table = 'locations';

    protected $casts = ['closed_through' => 'immutable_date', 'surcharge_most' => PercentageCast::class];

    /** @return BelongsTo<TaxProfileRecord, $this> */
    public function taxProfile(): BelongsTo
    {
        return $this->belongsTo(TaxProfileRecord::class);
    }

    /**
     * Makes sure that something may be dated on this business day.
     *
     * @throws Refused future_date, day_closed
     */
    public function assertOpenOn(CarbonImmutable $day): void
    {
        if ($day->startOfDay()->greaterThan(ShopTime::today())) {
            throw Refused::because('future_date', 'Nothing can be dated in the future.');
        }

        self::assertAfter($day, $this->closed_through);
    }

    /**
     * The same of the day alone, as it stands in the database at this moment; it stays so until the transaction ends.
     *
     * @throws Refused day_closed
     */
    public static function stillOpen(int $id, CarbonImmutable $day): void
    {
        $closed = self::query()->whereKey($id)->sharedLock()->value('closed_through');
        $closed === null || self::assertAfter($day, CarbonImmutable::parse($closed));
    }

    /** @throws Refused day_closed */
    private static function assertAfter(CarbonImmutable $day, CarbonImmutable $closed): void
    {
        if ($day->format('Y-m-d') <= $closed->format('Y-m-d')) {
            throw Refused::because(
                'day_closed',
                "{$day->format('j M Y')} is closed. The first open day is {$closed->addDay()->format('j M Y')}.",
            );
        }
    }
}
