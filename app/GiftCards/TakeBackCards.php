<?php

declare(strict_types=1);

namespace Elmstone\GiftCards;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Core\Money\Money;
use Elmstone\Receivables\Payments\TakesBackHeld;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/** Gift cards whose receipt is taken back are worth so much less, as far as it is not spent. */
final class TakeBackCards implements TakesBackHeld
{
    public function __construct(private readonly GiftCardLedger $ledger)
    {
    }

    public function part(): string
    {
        return 'gift_cards';
    }

    public function lock(Document $receipt): void
    {
        $this->cards($receipt);
    }

    public function room(Document $receipt): Money
    {
        $room = 0;

        foreach ($this->sold($receipt) as $card => $amount) {
            $room += min($amount, $this->cards($receipt)->get($card)->balance ?? 0);
        }

        return $receipt->money($room);
    }

    public function takeBack(Document $receipt, int $return, Money $amount, CarbonImmutable $day): void
    {
        $cards = $this->cards($receipt);
        $left = $amount->minor;

        foreach ($this->sold($receipt) as $id => $sold) {
            $card = $cards->get($id);
            $part = $card === null ? 0 : min($left, $sold, $card->balance);

            if ($card !== null && $part > 0) {
                $this->ledger->move($card, $return, -$part, $day);
                $left -= $part;
            }
        }
    }

    /** @return array<int, int> minor units by card */
    private function sold(Document $receipt): array
    {
        return $receipt->gift_card_change <= 0
            ? []
            : DB::table('gift_card_entries')
                ->where('document_id', $receipt->id)
                ->where('amount', '>', 0)
                ->groupBy('gift_card_id')
                ->orderBy('gift_card_id')
                ->selectRaw('gift_card_id, CAST(SUM(amount) AS SIGNED) AS amount')
                ->pluck('amount', 'gift_card_id')
                ->map(static fn (mixed $amount): int => is_numeric($amount) ? (int) $amount : 0)
                ->all();
    }

    /** @return Collection<int, GiftCard> by id, locked in their order */
    private function cards(Document $receipt): Collection
    {
        $ids = array_keys($this->sold($receipt));

        return $ids === []
            ? new Collection
            : GiftCard::query()->whereIn('id', $ids)->orderBy('id')->lockForUpdate()->get()->keyBy('id');
    }
}
