<?php

declare(strict_types=1);

namespace Elmstone\Counter;

use Elmstone\Books\DraftTender;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Returns\WaysBack;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Foundation\Show;
use Elmstone\Returns\CreditSources;
use Elmstone\Returns\OriginMoney;
use Elmstone\Shop\House;

/** By which ways what goes back leaves: what is chosen, the most of each, and what hinders it. docs/rules.md, "Returns". */
final class RefundWays
{
    /** The order of the rows on the page, and of the tenders on the document. */
    public const KINDS = [TenderKind::HouseAccount, TenderKind::Cash, TenderKind::Cheque, TenderKind::BankTransfer, TenderKind::DepositHeld, TenderKind::StoreCredit, TenderKind::GiftCard];

    public readonly CreditSources $sources;

    private readonly Money $zero;

    public function __construct(private readonly Slip $slip, private readonly House $house, private readonly ReckonedReturn $back, public readonly Money $exchanged)
    {
        $this->zero = $house->money(0);
        $this->sources = $back->sources($exchanged);
    }

    /** What goes back in all. */
    public function due(): Money
    {
        return $this->sources->total($this->zero);
    }

    /** What must go to the house account, because it was charged there. */
    public function charged(): Money
    {
        return $this->sources->charged($this->zero);
    }

    /** @return array<string, Money> by way; a card by its authorisation */
    public function wanted(): array
    {
        $wanted = [];

        foreach (self::KINDS as $kind) {
            $amount = $this->chosen($kind);

            if ($amount->isPositive()) {
                $wanted[$kind->value] = $amount;
            }
        }

        foreach ($this->slip->cards->filter(static fn (CardPayment $card): bool => $card->isBack() && $card->state->pays()) as $card) {
            $way = OriginMoney::way(TenderKind::Card->value, $card->against);
            $wanted[$way] = ($wanted[$way] ?? $this->zero)->plus($this->house->money($card->approved));
        }

        return $wanted;
    }

    /** What goes by one way now. What was charged goes back to the account without being asked for. */
    public function chosen(TenderKind $kind): Money
    {
        $chosen = $this->house->money($this->slip->back[$kind->value] ?? 0);

        return $kind === TenderKind::HouseAccount ? $chosen->plus($this->charged()) : $chosen;
    }

    /** The most that could still go one way, what is chosen by the others staying so. */
    public function most(string $way): Money
    {
        return WaysBack::most($this->house->currency(), $this->sources->left, $way, $this->wanted());
    }

    public function left(): Money
    {
        return $this->due()->minus(Money::sum($this->wanted(), $this->zero->currency));
    }

    /** @return array<string, array{type: string, last_four: string}> the cards something may go back to, by authorisation */
    public function cards(): array
    {
        return array_filter($this->back->money()->cards, fn (string|int $authorisation): bool => WaysBack::most($this->house->currency(), $this->sources->left, OriginMoney::way(TenderKind::Card->value, (string) $authorisation))->isPositive(), ARRAY_FILTER_USE_KEY);
    }

    /** The most that could go one way if nothing were chosen yet. */
    private function possible(TenderKind $kind): Money
    {
        return WaysBack::most($this->house->currency(), $this->sources->left, $kind->value);
    }

    /** Why a way is closed; empty: it is open. */
    public function closed(TenderKind $kind): string
    {
        return match (true) {
            $this->possible($kind)->isPositive() => '',
            $kind === TenderKind::StoreCredit && $this->slip->customer_id === null => 'needs a named customer',
            $kind === TenderKind::HouseAccount => $this->slip->account === null ? 'no house account' : '',
            $kind === TenderKind::DepositHeld => 'no deposit was used for it',
            $this->due()->equals($this->charged()) => 'all of it was charged to the account',
            default => 'nothing was paid this way',
        };
    }

    /** Money that leaves the house, and so may need approval. */
    public function handedOut(): Money
    {
        $out = [TenderKind::Cash->value, TenderKind::Cheque->value, TenderKind::BankTransfer->value];

        return Money::sum(array_filter($this->wanted(), static fn (string $way): bool => in_array($way, $out, true) || str_starts_with($way, 'card:'), ARRAY_FILTER_USE_KEY), $this->zero->currency);
    }

    /** @return array<string, array<string, Money>> by source and way, with what fee and goods took; null: it cannot be */
    public function shares(): ?array
    {
        $shares = WaysBack::share($this->house->currency(), $this->sources->left, $this->wanted());

        if ($shares === null) {
            return null;
        }

        foreach ($this->sources->used as $source => $used) {
            $shares[$source] = [...$used, ...$shares[$source] ?? []];
        }

        return $shares;
    }

    /** Cash for goods that came without an original. */
    public function blindCash(): Money
    {
        return $this->shares()[CreditSources::BLIND][TenderKind::Cash->value] ?? $this->zero;
    }

    /** @return list<Refused> */
    public function hindrances(): array
    {
        $found = [];
        $left = $this->left();
        $limit = $this->house->shop()->refund_limit;

        foreach ($this->wanted() as $way => $amount) {
            $most = $this->most($way);

            if ($amount->exceeds($most)) {
                $found[] = Refused::because('not_that_way', ($most->isZero() ? 'Nothing' : 'At most '.Show::money($most)).' can go back '.$this->words($way).'.');
            }
        }

        if ($found === [] && $left->isNegative()) {
            $found[] = Refused::because('over_refunded', Show::money($left->negated()).' more would go back than comes back. Lower one of the ways.');
        }

        if ($found === [] && $left->isPositive()) {
            $found[] = Refused::because('refund_left', 'Say by which way '.Show::money($left).' goes back.');
        }

        if ($this->needsReference() && $this->slip->back_reference === '') {
            $found[] = Refused::because('reference_missing', 'Type the number of the shop’s cheque, or the transfer’s reference.');
        }

        if ($limit !== null && $this->handedOut()->minor > max($limit, $this->slip->refund_approved)) {
            $found[] = Refused::because('over_refund_limit', 'More than '.Show::money($this->house->money($limit)).' is handed back. A supervisor can approve.');
        }

        if ($found === [] && $this->blindCash()->minor > $this->slip->blind_cash_approved) {
            $found[] = Refused::because('blind_cash', 'Cash for goods without a receipt. A supervisor can approve.');
        }

        return $found;
    }

    public function needsReference(): bool
    {
        return $this->chosen(TenderKind::Cheque)->isPositive() || $this->chosen(TenderKind::BankTransfer)->isPositive();
    }

    /**
     * As tenders of the credit note, what goes to goods taken along first. Cash as it changes hands.
     *
     * @param  string  $cardId the gift card it goes on, where one does
     * @return list<DraftTender>
     */
    public function tenders(string $cardId = '', string $cardWords = ''): array
    {
        $drafts = $this->exchanged->isPositive() ? [self::draft(TenderKind::Exchange, $this->exchanged)] : [];

        foreach (self::KINDS as $kind) {
            $amount = $this->chosen($kind);

            if ($amount->isPositive()) {
                $drafts[] = match ($kind) {
                    TenderKind::Cash => self::draft($kind, $this->house->handedOver($amount, $kind)[0]),
                    TenderKind::Cheque, TenderKind::BankTransfer => self::draft($kind, $amount, $this->slip->back_reference),
                    TenderKind::GiftCard => new DraftTender(Tender::of($kind, $amount), $amount, $cardWords, authorisation: $cardId),
                    default => self::draft($kind, $amount),
                };
            }
        }

        foreach ($this->slip->cards->filter(static fn (CardPayment $card): bool => $card->isBack() && $card->state->pays()) as $card) {
            $amount = $this->house->money($card->approved);
            $drafts[] = new DraftTender(Tender::of(TenderKind::Card, $amount), $amount, '', $card->card_type, $card->last_four, $card->authorisation);
        }

        return $drafts;
    }

    public function cashRounding(): Money
    {
        return $this->house->handedOver($this->chosen(TenderKind::Cash), TenderKind::Cash)[1];
    }

    private static function draft(TenderKind $kind, Money $amount, string $reference = ''): DraftTender
    {
        return new DraftTender(Tender::of($kind, $amount), $amount, $reference);
    }

    private function words(string $way): string
    {
        if (str_starts_with($way, 'card:')) {
            return 'to the card ending '.($this->back->money()->cards[substr($way, 5)]['last_four'] ?? '');
        }

        return match (TenderKind::from($way)) {
            TenderKind::HouseAccount => 'to the house account',
            TenderKind::StoreCredit => 'as store credit',
            TenderKind::GiftCard => 'onto a gift card',
            TenderKind::DepositHeld => 'to the deposits',
            TenderKind::Cash => 'in cash',
            default => 'by '.mb_strtolower(TenderKind::from($way)->label()),
        };
    }
}
