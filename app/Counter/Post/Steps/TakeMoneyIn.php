<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post\Steps;

use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Core\Money\Money;
use Elmstone\Counter\Parts\MoneyIn;
use Elmstone\Counter\Parts\TakenIn;
use Elmstone\Counter\Parts\TowardsAccount;
use Elmstone\Counter\Post\MoveCredits;
use Elmstone\Counter\Post\SlipPosting;
use Elmstone\Counter\Post\Step;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Settle\SettledPart;
use Elmstone\Counter\Settle\SettledSlip;
use Elmstone\Counter\Slip\SlipParty;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Shop\House;
use Ramsey\Uuid\Uuid;

/** The receipt for all that a slip takes in besides the sale, and what each part of it enters then. */
final readonly class TakeMoneyIn extends Step
{
    public function __construct(
        private House $house,
        private Books $books,
        private MoneyIn $moneyIn,
        private PaymentDraft $payments,
        private MoveCredits $credits,
    ) {
    }

    public function kinds(ReckonedCounter $reckoned): array
    {
        return $this->moneyIn->total($reckoned->slip)->isPositive() ? [DocumentKind::Receipt] : [];
    }

    public function post(SlipPosting $posting): void
    {
        if (! $this->moneyIn->total($posting->slip())->isPositive()) {
            return;
        }

        $settled = SettledSlip::parts($posting->reckoned, $posting->settlement)[1];
        $towards = $posting->account === null ? null : TowardsAccount::of($posting->slip(), $this->house);
        $draft = $this->draft($posting, $settled, $towards);
        $posting->receipt = $this->books->document($draft);
        $in = new TakenIn($posting->receipt, $draft, $posting, $towards);

        foreach ($this->moneyIn->parts as $part) {
            $part->enter($in);
        }

        $this->credits->use($posting->receipt, $settled->tenders, $posting->slip(), $posting->deposits);
    }

    private function draft(SlipPosting $posting, SettledPart $settled, ?TowardsAccount $towards): DocumentDraft
    {
        $slip = $posting->slip();

        return $this->payments->draft(
            DocumentKind::Receipt,
            MoneyEntry::payment(
                $this->moneyIn->total($slip),
                $towards?->spread->discount() ?? $this->house->money(0),
                $this->held($posting),
            ),
            $posting->at(),
            SlipParty::of(
                $slip,
                null,
                $towards === null ? null : $posting->account?->balance,
            ),
            $posting->reckoned->sells()
                ? Uuid::uuid5(Uuid::fromString($slip->key), 'receipt')->toString()
                : Uuid::uuid5(Uuid::fromString($slip->key), 'money in')->toString(),
            $settled->tenders,
            $settled->cashRounding,
            $settled->change,
            $slip->deposit_for === '' ? '' : "Deposit for {$slip->deposit_for}",
        );
    }

    /** @return array<string, Money> what becomes money held, by its kind */
    private function held(SlipPosting $posting): array
    {
        $held = [];

        foreach ($this->moneyIn->parts as $part) {
            $kind = $part->heldAs()?->value;
            $kind === null || ($held[$kind] = $part->due($posting->slip())->plus(
                $held[$kind] ?? $this->house->money(0),
            ));
        }

        return $held;
    }
}
