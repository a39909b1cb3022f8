<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Cards\CardRequest;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Returns\AsItCame;
use Elmstone\Core\Returns\WaysBack;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Parts\Back\ReckonedReturn;
use Elmstone\Counter\Slip\Slip;
use Elmstone\MoneyOut\Way;
use Elmstone\Returns\CreditSources;
use Elmstone\Shop\House;

/**
 * By which ways what goes back leaves: what is chosen, the most of each, and what hinders it. docs/rules.md, "Returns".
 */
final class RefundWays
{
    /** The order of the rows on the page, and of the tenders on the document. */
    public const KINDS = [
        TenderKind::HouseAccount, TenderKind::Cash, TenderKind::Cheque, TenderKind::BankTransfer,
        TenderKind::DepositHeld, TenderKind::StoreCredit, TenderKind::GiftCard,
    ];

    public readonly CreditSources $sources;

    private readonly Money $zero;

    public function __construct(
        private readonly Slip $slip,
        private readonly House $house,
        private readonly ReckonedReturn $back,
        public readonly Money $exchanged,
    ) {
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

    /** @return array<string, Money> by way; a card by its authorisation, a gift card that paid by its id */
    public function wanted(): array
    {
        $wanted = [];

        foreach (
            [
                ...array_map(static fn (TenderKind $kind): string => $kind->value, self::KINDS),
                ...array_keys($this->giftCards()),
            ] as $way
        ) {
            $amount = $this->chosen($way);

            if ($amount->isPositive()) {
                $wanted[$way] = $amount;
            }
        }

        foreach (
            $this->slip->cards->filter(
                static fn (CardRequest $card): bool => $card->isBack() && $card->state->pays(),
            ) as $card
        ) {
            $way = Way::of(TenderKind::Card, $card->against)->key();
            $wanted[$way] = ($wanted[$way] ?? $this->zero)->plus($card->approved);
        }

        return $wanted;
    }

    /** What goes by one way now. What was charged goes back to the account without being asked for. */
    public function chosen(TenderKind|string $way): Money
    {
        $way = $way instanceof TenderKind ? $way->value : $way;
        $chosen = $this->slip->back[$way] ?? $this->zero;

        return $way === TenderKind::HouseAccount->value ? $chosen->plus($this->charged()) : $chosen;
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

    /**
     * @return array<string, array{type: string, last_four: string}> the cards something may go back to, by
     *     authorisation
     */
    public function cards(): array
    {
        return array_filter(
            $this->back->money()->cards,
            fn (string|int $authorisation): bool => $this->possible(
                Way::of(TenderKind::Card, (string) $authorisation)->key(),
            )->isPositive(),
            ARRAY_FILTER_USE_KEY,
        );
    }

    /**
     * @return array<string, Money> the gift cards that paid and something may go back to, by way, with the most of each
     */
    public function giftCards(): array
    {
        $found = [];

        foreach ($this->sources->left as $source) {
            foreach (array_keys($source->brought()) as $way) {
                if (Way::read($way)?->kind === TenderKind::GiftCard) {
                    $found[(string) $way] = $this->possible((string) $way);
                }
            }
        }

        return $found;
    }

    /** @return array<string, Money> as it came: shared out over the ways by what each brought */
    public function asItCame(): array
    {
        return AsItCame::of($this->sources->left);
    }

    /** The most that could go one way if nothing were chosen yet. */
    private function possible(string $way): Money
    {
        return WaysBack::most($this->house->currency(), $this->sources->left, $way);
    }

    /** Why a way is closed; empty: it is open. */
    public function closed(TenderKind|string $way): string
    {
        $way = $way instanceof TenderKind ? $way->value : $way;
        $kind = Way::read($way)?->kind;

        return match (true) {
            $this->possible($way)->isPositive() => '',
            $kind === TenderKind::StoreCredit && $this->slip->customer_id === null => 'needs a named customer',
            $kind === TenderKind::HouseAccount => $this->slip->account === null ? 'no house account' : '',
            $kind === TenderKind::DepositHeld => 'no deposit was used for it',
            $this->due()->equals($this->charged()) => 'all of it was charged to the account',
            default => 'nothing was paid this way',
        };
    }

    /**
     * @return array<string, array<string, Money>> by source and way, with what fee and goods took; null: it cannot be
     */
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

    /** What of it leaves the house. */
    public function leaving(): MoneyLeaving
    {
        return new MoneyLeaving($this->slip, $this->house, $this->back->money(), $this->shares() ?? []);
    }

    /** @return list<Refused> */
    public function hindrances(): array
    {
        return (new RefundHindrances($this, $this->slip))->all();
    }

    /** What can still go back as money of what one document brought. */
    public function moneyLeft(int $origin): Money
    {
        return $this->back->money()->moneyLeft($origin);
    }

    public function needsReference(): bool
    {
        return $this->chosen(TenderKind::Cheque)->isPositive() || $this->chosen(TenderKind::BankTransfer)->isPositive();
    }

    public function cashRounding(): Money
    {
        return $this->house->handedOver($this->chosen(TenderKind::Cash), TenderKind::Cash)[1];
    }

    public function words(string $way): string
    {
        $which = Way::read($way)->which ?? '';

        return match (Way::read($way)?->kind) {
            TenderKind::Card => 'to the card ending '.($this->back->money()->cards[$which]['last_four'] ?? ''),
            TenderKind::HouseAccount => 'to the house account',
            TenderKind::StoreCredit => 'as store credit',
            TenderKind::GiftCard => $which === '' ? 'onto a gift card' : 'onto the gift card that paid',
            TenderKind::DepositHeld => 'to the deposits',
            TenderKind::Cash => 'in cash',
            null => '',
            default => 'by '.mb_strtolower(Way::read($way)->kind->label()),
        };
    }
}
