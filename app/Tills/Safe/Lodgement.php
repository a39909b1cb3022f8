<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\Location;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Database\Record;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Money on its way to the bank: cash and cheques that were paid in, or cards that the acquirer pays out.
 *
 * @property int $id
 * @property int $document_id
 * @property int $location_id
 * @property string $kind paying_in or card_payout
 * @property CarbonImmutable $made_on
 * @property Money $cash
 * @property Money $cheques
 * @property Money $cards the fee in it
 * @property Money $fee
 * @property Money $amount what the bank should credit
 * @property string $reference
 * @property-read Document $document
 * @property-read Location $location
 * @property-read Collection<int, LodgementCredit> $credits
 * @property-read Collection<int, LodgedPieces> $pieces
 * @property-read Collection<int, SafeCheque> $chequesIn
 */
final class Lodgement extends Record
{
    public const PAYING_IN = 'paying_in';

    public const CARD_PAYOUT = 'card_payout';

    protected $table = 'lodgements';

    protected $casts = [
        'made_on' => 'immutable_date',
        'cash' => MoneyCast::class,
        'cheques' => MoneyCast::class,
        'cards' => MoneyCast::class,
        'fee' => MoneyCast::class,
        'amount' => MoneyCast::class,
    ];

    /** @return BelongsTo<Document, $this> */
    public function document(): BelongsTo
    {
        return $this->belongsTo(Document::class);
    }

    /** @return BelongsTo<Location, $this> */
    public function location(): BelongsTo
    {
        return $this->belongsTo(Location::class);
    }

    /** @return HasMany<LodgementCredit, $this> */
    public function credits(): HasMany
    {
        return $this->hasMany(LodgementCredit::class)->orderBy('document_id');
    }

    /** @return HasMany<LodgedPieces, $this> */
    public function pieces(): HasMany
    {
        return $this->hasMany(LodgedPieces::class)->orderByDesc('unit');
    }

    /** @return HasMany<SafeCheque, $this> */
    public function chequesIn(): HasMany
    {
        return $this->hasMany(SafeCheque::class)->orderBy('id');
    }

    /** What is still on its way; below zero: the bank credited more. */
    public function onTheWay(): Money
    {
        return $this->credits->reduce(
            static fn (Money $left, LodgementCredit $credit): Money => $left->minus($credit->amount),
            $this->amount,
        );
    }

    public function words(): string
    {
        return $this->kind === self::PAYING_IN ? 'Paying-in' : 'Card payout';
    }
}
