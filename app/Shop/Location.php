<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
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
 * @property-read TaxProfileRecord $taxProfile
 */
final class Location extends Record
{
    protected $table = 'locations';

    protected $casts = ['closed_through' => 'immutable_date'];

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
        $day = $day->startOfDay();

        if ($day->greaterThan(ShopTime::today())) {
            throw Refused::because('future_date', 'Nothing can be dated in the future.');
        }

        if ($day->lessThanOrEqualTo($this->closed_through)) {
            throw Refused::because(
                'day_closed',
                "{$day->format('j M Y')} is closed. The first open day is {$this->closed_through->addDay()->format(
                    'j M Y',
                )}.",
            );
        }
    }
}
