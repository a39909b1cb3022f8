<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Elmstone\Books\Accounts;
use Elmstone\Books\Figures\Balances;
use Elmstone\Books\Proof\Proof;
use Elmstone\Books\Proof\Topic;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Tills\Drawer;
use Elmstone\Tills\SessionState;
use Elmstone\Tills\TillSession;

/**
 * Proves that nothing taken stays in a clearing account unseen: cash in tills, cheques, card clearing and what is on
 * its way to the bank are each the sum of what is listed.
 */
final class ProveSafe implements Topic
{
    public function __construct(
        private readonly House $house,
        private readonly Safe $safe,
        private readonly Drawer $drawer,
        private readonly Balances $balances,
    ) {
    }

    public function inWords(): string
    {
        return 'Cash, cheques, cards and what is on its way are explained';
    }

    public function page(): string
    {
        return 'safe';
    }

    public function prove(Proof $proof): void
    {
        [$cash, $cheques, $cards] = $this->inDrawers();

        foreach (Location::query()->orderBy('id')->get() as $location) {
            $cheques = $cheques->plus($this->sum(array_values($this->safe->cheques($location->id)
                ->map(static fn (SafeCheque $cheque): Money => $cheque->amount)->all())));
        }

        $cards = $cards->plus($this->sum(array_column($this->safe->batches(), 'amount')));
        $onTheWay = $this->sum(array_values(
            $this->safe->onTheWay()->map(static fn (Lodgement $one): Money => $one->onTheWay())->all(),
        ));

        foreach ([
            [Accounts::tender(TenderKind::Cash), $cash, 'cash in tills'],
            [Accounts::tender(TenderKind::Cheque), $cheques, 'cheques in drawers and safes'],
            [Accounts::tender(TenderKind::Card), $cards, 'card batches that are not paid out'],
            [Accounts::ON_WAY, $onTheWay, 'what is on its way to the bank'],
        ] as [$account, $listed, $words]) {
            $proof->same($account, $words, $listed, $this->balances->of($account));
        }

        $proof->checked('clearing accounts that are what is listed', 4);
    }

    /** @return array{Money, Money, Money} cash, cheques and cards: what should be there, or was left in */
    private function inDrawers(): array
    {
        [$cash, $cheques, $cards] = [$this->house->money(0), $this->house->money(0), $this->house->money(0)];
        $last = TillSession::query()->selectRaw('MAX(id)')->groupBy('till_id');

        foreach (TillSession::query()->whereIn('id', $last)->get() as $session) {
            if ($session->state === SessionState::Closed) {
                $cash = $cash->plus($session->left_in ?? $this->house->money(0));

                continue;
            }

            $there = $this->drawer->expected($session);
            $cash = $cash->plus($there[TenderKind::Cash->value]);
            $cheques = $cheques->plus($there[TenderKind::Cheque->value]);
            $cards = $cards->plus($there[TenderKind::Card->value]);
        }

        return [$cash, $cheques, $cards];
    }

    /** @param  list<Money>  $amounts */
    private function sum(array $amounts): Money
    {
        return Money::sum($amounts, $this->house->currency());
    }
}
