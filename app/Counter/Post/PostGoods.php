<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Books\Books;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\Settlement;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Settle\SettledSlip;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\SlipParty;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Layaways\HoldLayaway;
use Elmstone\Layaways\Layaway;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Shop\House;

/** The goods on a slip leave for an invoice, or are set aside as a layaway. In the posting, everything locked. */
final class PostGoods
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly StockLedger $stock,
        private readonly Serials $serials,
        private readonly Ledger $ledger,
        private readonly HoldLayaway $hold,
        private readonly MoveCredits $credits,
    ) {
    }

    /** @return int the invoice's document id */
    public function sell(
        ReckonedCounter $reckoned,
        Settlement $settlement,
        Act $act,
        ?HouseAccount $account,
        ?HeldAccount $held,
    ): int {
        $slip = $reckoned->slip;
        $terms = $slip->charge === null ? null : $account?->terms();
        $draft = new SaleDraft(
            $reckoned,
            $this->house,
            SlipParty::of($slip, $terms, $account === null ? null : $this->house->money($account->balance)),
        );
        $moves = $draft->moves();
        $this->stock->take($moves);
        $this->assertNothingPromised($reckoned, $moves);
        $part = SettledSlip::sale($reckoned, $settlement);
        $sale = $draft->document($part, $act->postedAt($slip));
        $document = $this->books->document($sale);
        $this->stock->record(
            'sale',
            array_map(static fn (StockMove $move): array => [$move, $slip->day(), $document], $moves),
        );
        $this->serials->sell($document, $draft->serials());

        if ($account !== null) {
            $this->ledger->enter($account, [new LedgerEntry($document, $sale, $terms)]);
        }

        $this->credits->use($document, $part->tenders, $slip, $held);

        return $document;
    }

    /** @throws Refused not_held, committed, and what the agreement refuses */
    public function setAside(ReckonedCounter $reckoned): Layaway
    {
        $order = $reckoned->layaway()?->order()
            ?? throw Refused::because('not_held', 'This slip is not to be held as a layaway.');
        $made = $this->hold->handle($order);
        $aside = array_map(
            static fn (StockMove $move): StockMove => StockMove::aside(
                $move->itemId,
                $move->locationId,
                $move->quantity->negated(),
            ),
            (new SaleDraft($reckoned, $this->house))->moves(),
        );
        $this->assertNothingPromised($reckoned, $aside);

        return $made;
    }

    /**
     * What is set aside for others goes only where somebody approved it.
     *
     * @param  list<StockMove>  $moves
     *
     * @throws Refused committed
     */
    private function assertNothingPromised(ReckonedCounter $reckoned, array $moves): void
    {
        foreach ($moves === [] ? [] : $this->stock->short($moves) as $item) {
            foreach ($reckoned->slip->lines->where('item_id', $item) as $line) {
                $reckoned->needs->assertMayTakeCommitted($line);
            }
        }
    }
}
