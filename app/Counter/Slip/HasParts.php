<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Parts\CardsOnSlip;
use Elmstone\Counter\Parts\LayawayPart;
use Elmstone\Counter\Parts\OrderPart;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\MoneyOut\Way;
use Illuminate\Database\Eloquent\Relations\HasMany;

/** What is on a slip several times over: layaways paid on, coupons, gift cards sold and used. */
trait HasParts
{
    /** @return list<CardsOnSlip> */
    public function cardsSold(): array
    {
        return CardsOnSlip::all($this->parts(PartKind::CardSold));
    }

    /** @return list<CardsOnSlip> */
    public function cardsUsed(): array
    {
        return CardsOnSlip::all($this->parts(PartKind::CardUsed));
    }

    /** What a gift card on it is worth, null when there is no such card. */
    public function worthOf(string $card): ?Money
    {
        return ($this->giftCards[$card] ?? null)?->balance();
    }

    /** @return list<int> ids of the coupons on it, in the order they were shown */
    public function couponIds(): array
    {
        return array_map(static fn (SlipPart $part): int => (int) $part->coupon_id, $this->parts(PartKind::Coupon));
    }

    /** @return list<SlipPart> in their order */
    private function parts(PartKind $kind): array
    {
        return $this->has_parts ? array_values($this->partRows->where('kind', $kind)->all()) : [];
    }

    /**
     * Keeps all parts of a kind as they are now.
     *
     * @param  list<array<string, scalar|Money|null>>  $rows columns of SlipPart
     */
    public function keepParts(PartKind $kind, array $rows): void
    {
        $this->has_parts && $this->partRows()->where('kind', $kind)->delete();

        foreach ($rows as $i => $row) {
            SlipPart::query()->create([...$row, 'slip_id' => $this->id, 'kind' => $kind, 'position' => $i + 1]);
        }

        $this->unsetRelation('partRows');
        $this->forceFill(['has_parts' => $rows !== [] || ($this->has_parts && $this->partRows->isNotEmpty())])->save();
    }

    /** @param  list<int>  $ids */
    public function keepCoupons(array $ids): void
    {
        $this->keepParts(PartKind::Coupon, array_map(static fn (int $id): array => ['coupon_id' => $id], $ids));
    }

    /** @return list<string> the numbers of all gift cards on it that are in use already */
    public function cardCodes(): array
    {
        $codes = array_map(static fn (CardsOnSlip $card): string => $card->isNew ? '' : $card->code, [
            ...$this->cardsSold(),
            ...$this->cardsUsed(),
        ]);
        // A card that paid for what comes back is known by its id, so that its number stands nowhere.
        $ids = array_map(intval(...), array_keys(Way::among($this->back ?? [], TenderKind::GiftCard)));
        $back = $ids === [] ? [] : GiftCard::codes($ids);

        return array_values(
            array_unique(
                array_filter(
                    [...$codes, ...$back, $this->back_card ?? ''],
                    static fn (string $code): bool => $code !== '',
                ),
            ),
        );
    }

    /** @return array<int, LayawayPart> by layaway */
    public function layawayParts(): array
    {
        return LayawayPart::all($this->parts(PartKind::Layaway));
    }

    /** Whether goods of agreements leave with it. */
    public function handsOver(): bool
    {
        return $this->layawayParts() !== [] || $this->orderParts() !== [];
    }

    /** Whether goods of an order leave with it. */
    public function suppliesAnOrder(): bool
    {
        return array_filter(
            $this->orderParts(),
            static fn (OrderPart $part): bool => ! $part->leaving->isEmpty(),
        ) !== [];
    }

    /** @return array<int, OrderPart> by order */
    public function orderParts(): array
    {
        return OrderPart::all($this->parts(PartKind::Order));
    }

    /** @return HasMany<SlipPart, $this> */
    public function partRows(): HasMany
    {
        return $this->hasMany(SlipPart::class)->orderBy('position');
    }
}
