<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post\Steps;

use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Catalogue\Serials;
use Elmstone\Catalogue\StockLedger;
use Elmstone\Catalogue\StockMove;
use Elmstone\Counter\Post\MoveCredits;
use Elmstone\Counter\Post\NothingPromised;
use Elmstone\Counter\Post\SaleDraft;
use Elmstone\Counter\Post\SlipPosting;
use Elmstone\Counter\Post\Step;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Settle\SettledSlip;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipParty;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Shares\ShareLedger;
use Elmstone\Shares\Sharings;

/** What is sold on a slip becomes an invoice, and its goods leave. */
final readonly class SellGoods extends Step
{
    public function __construct(
        private Books $books,
        private StockLedger $stock,
        private Serials $serials,
        private Ledger $ledger,
        private MoveCredits $credits,
        private NothingPromised $promised,
        private Sharings $sharings,
        private ShareLedger $shares,
    ) {
    }

    public function kinds(ReckonedCounter $reckoned): array
    {
        return $reckoned->sells() ? [DocumentKind::Invoice] : [];
    }

    public function post(SlipPosting $posting): void
    {
        $slip = $posting->slip();

        if (! $posting->reckoned->sells()) {
            return;
        }

        $account = $posting->account;
        $terms = $slip->charge === null ? null : $account?->terms();
        $draft = new SaleDraft(
            $posting->reckoned,
            SlipParty::of($slip, $terms, $account?->balance),
        );
        $moves = $draft->moves();
        $this->stock->take($moves);
        $this->promised->assert($posting->reckoned, $moves);
        $part = SettledSlip::sale($posting->reckoned, $posting->settlement);
        $sharing = $slip->sharing_id;
        $at = $sharing === null ? $posting->at() : $posting->at()->soldBy($this->sharings->lead($sharing));
        $sale = $draft->document($part, $at);
        $document = $posting->sale = $this->books->document($sale);
        $this->shares->sold($document, $sale, $sharing);
        $this->stock->record(
            'sale',
            array_map(static fn (StockMove $move): array => [$move, $slip->day(), $document], $moves),
        );
        $this->serials->sell($document, $draft->serials());
        $account === null || $this->ledger->enter($account, [new LedgerEntry($document, $sale, $terms)]);
        $this->credits->use($document, $part->tenders, $slip, $posting->deposits);
    }
}
