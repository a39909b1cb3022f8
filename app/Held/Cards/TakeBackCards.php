<?php

declare(strict_types=1);

namespace Elmstone\Held\Cards;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Held\Ledger\HeldEntry;
use Elmstone\Held\Ledger\Movement;
use Elmstone\Receivables\Payments\TakesBackHeld;

/** Gift cards whose receipt is taken back are worth so much less, as far as it is not spent. */
final class TakeBackCards implements TakesBackHeld
{
    public function __construct(private readonly GiftCardLedger $ledger)
    {
    }

    public function kind(): HeldKind
    {
        return HeldKind::GiftCard;
    }

    public function lock(Document $receipt): void
    {
        $this->sold($receipt);
    }

    public function room(Document $receipt): Money
    {
        return Money::sum(
            array_map(
                static fn (array $sold): Money => Money::min($sold[1], $sold[0]->account->balance),
                $this->sold($receipt),
            ),
            $receipt->currency(),
        );
    }

    public function takeBack(Document $receipt, int $return, Money $amount, CarbonImmutable $day): void
    {
        foreach ($this->sold($receipt) as [$card, $sold]) {
            $part = Money::min($amount, Money::min($sold, $card->account->balance));

            if ($part->isPositive()) {
                $this->ledger->take($card, $return, $part, $day, Movement::Returned);
                $amount = $amount->minus($part);
            }
        }
    }

    /** @return list<array{GiftCard, Money}> the cards it put money on, locked in their order, and how much */
    private function sold(Document $receipt): array
    {
        if (! $receipt->held(HeldKind::GiftCard)->isPositive()) {
            return [];
        }

        $sums = HeldEntry::query()
            ->where('document_id', $receipt->id)
            ->where('amount', '>', 0)
            ->whereRelation('account', 'kind', HeldKind::GiftCard)
            ->groupBy('account_id')
            ->selectRaw('account_id, CAST(SUM(amount) AS SIGNED) AS amount')
            ->pluck('amount', 'account_id');
        $ids = GiftCard::query()->whereIn('account_id', $sums->keys())->pluck('id')->all();

        return array_values(
            $this->ledger
                ->lockIds($ids)
                ->map(static fn (GiftCard $card): array => [
                    $card,
                    $sums[$card->account_id] ?? $receipt->none(),
                ])
                ->all(),
        );
    }
}
