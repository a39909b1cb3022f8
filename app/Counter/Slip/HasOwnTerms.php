<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Catalogue\PriceTerms;
use Elmstone\Customers\PriceLevel;
use Elmstone\Shop\TaxProfileRecord;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What of tax and price level a slip has of its own, for this sale only: exempt by a certificate that was shown, the
 * price level of others, taxed as at another place.
 *
 * @property bool $own_terms whether something of the next is set
 * @property string|null $own_certificate exempt from all tax by it; null: not
 * @property int|null $own_level_id
 * @property int|null $own_place_id
 * @property string $own_reason
 * @property-read PriceLevel|null $ownLevel
 * @property-read TaxProfileRecord|null $ownPlace
 */
trait HasOwnTerms
{
    private ?PriceTerms $priceTerms = null;

    /** @return BelongsTo<PriceLevel, $this> */
    public function ownLevel(): BelongsTo
    {
        return $this->belongsTo(PriceLevel::class, 'own_level_id');
    }

    /** @return BelongsTo<TaxProfileRecord, $this> */
    public function ownPlace(): BelongsTo
    {
        return $this->belongsTo(TaxProfileRecord::class, 'own_place_id');
    }

    /** Where its goods are taxed. */
    public function taxPlace(): TaxProfileRecord
    {
        return $this->own_place_id === null ? $this->location->taxProfile : $this->ownPlace
            ?? $this->location->taxProfile;
    }

    /** What decides its prices; null: list prices. */
    public function priceTerms(): ?PriceTerms
    {
        $theirs = $this->customer?->priceTerms();

        return $this->priceTerms ??= $this->own_level_id === null || $this->ownLevel === null
            ? $theirs
            : ($theirs ?? PriceTerms::nobodys())->atLevel($this->ownLevel->id, $this->ownLevel->percent_off);
    }

    public function forgetPriceTerms(): void
    {
        $this->priceTerms = null;
    }

    /** In words; empty: nothing is. */
    public function ownTerms(): string
    {
        $terms = [
            $this->own_certificate === null ? '' : "exempt from tax, certificate {$this->own_certificate}",
            $this->own_level_id === null ? '' : "{$this->ownLevel?->name} prices",
            $this->own_place_id === null ? '' : "taxed as {$this->ownPlace?->name}",
        ];

        return $this->own_terms ? 'For this sale only: '.implode('; ', array_diff($terms, ['']))
            .". {$this->own_reason}" : '';
    }

    /** Read with the slip, where there is anything. */
    public function loadOwnTerms(): void
    {
        $this->own_terms && $this->load(['ownLevel', 'ownPlace.components']);
    }
}
