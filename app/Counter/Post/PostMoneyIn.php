<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Books\Books;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\MoneyEntry;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\Settlement;
use Elmstone\Counter\Parts\TowardsAccount;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Settle\SettledSlip;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\SlipParty;
use Elmstone\Held\Cards\GiftCardLedger;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldLedger;
use Elmstone\Layaways\Layaway;
use Elmstone\Layaways\LayawayLedger;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Ledger\Ledger;
use Elmstone\Receivables\Ledger\LedgerEntry;
use Elmstone\Receivables\Ledger\PaymentDraft;
use Elmstone\Receivables\Ledger\Setting;
use Elmstone\Shop\House;
use Ramsey\Uuid\Uuid;

/**
 * The receipt for what a slip takes in besides the sale: towards the account, as a deposit, on layaways. Inside a
 * transaction, all of them locked.
 */
final class PostMoneyIn
{
    public function __construct(
        private readonly House $house,
        private readonly Books $books,
        private readonly Ledger $ledger,
        private readonly HeldLedger $deposits,
        private readonly LayawayLedger $layaways,
        private readonly GiftCardLedger $giftCards,
        private readonly PaymentDraft $payments,
    ) {
    }

    /**
     * @param  Layaway|null  $made the layaway that was just made of the slip
     * @return int the receipt's document id
     */
    public function handle(
        ReckonedCounter $reckoned,
        Settlement $settlement,
        Act $act,
        ?HouseAccount $account,
        ?HeldAccount $held,
        ?Layaway $made,
    ): int {
        $slip = $reckoned->slip;
        $towards = $account === null ? null : TowardsAccount::of($slip, $this->house);
        $draft = $this->draft($reckoned, $settlement, $act, $account, $towards?->spread->discount());
        $receipt = $this->books->document($draft);

        if ($account !== null && $towards !== null) {
            [$items, $spread] = [$towards->items, $towards->spread];
            $this->ledger->enter($account, [new LedgerEntry($receipt, $draft)]);
            $this->ledger->allocate(
                $account,
                $receipt,
                $items->parts($spread),
                Setting::by($act->by, $slip->day(), $draft->key),
                $items->discounts($spread),
            );
        }

        if ($held !== null && $slip->deposit_in !== null) {
            $this->deposits->put(
                $held,
                $receipt,
                $this->house->money($slip->deposit_in),
                $slip->day(),
                keptFor: $slip->deposit_for,
            );
        }

        foreach ($slip->layawayParts() as $part) {
            $part->amount === 0
                || $this->layaways->pay(
                    $slip->paidOn[$part->layawayId],
                    $receipt,
                    $this->house->money($part->amount),
                    $slip->day(),
                );
        }

        foreach ($slip->cardsSold() as $sold) {
            $card = $sold->isNew || $sold->code === ''
                    ? $this->giftCards->issue($slip->day(), $sold->brings())
                    : $slip->giftCards[$sold->code];
            $this->giftCards->put($card, $receipt, $this->house->money($sold->amount), $slip->day());
        }

        if ($made !== null) {
            $this->layaways->pay($made, $receipt, $this->house->money($slip->hold->deposit ?? 0), $slip->day());
        }

        return $receipt;
    }

    private function draft(
        ReckonedCounter $reckoned,
        Settlement $settlement,
        Act $act,
        ?HouseAccount $account,
        ?Money $discount,
    ): DocumentDraft {
        $slip = $reckoned->slip;
        $part = SettledSlip::parts($reckoned, $settlement)[1];
        $money = $reckoned->held;
        $isOnAccount = $money->onAccount()->isPositive() && $account !== null;

        return $this->payments->draft(
            DocumentKind::Receipt,
            MoneyEntry::payment(
                $money->total(),
                $isOnAccount && $discount !== null ? $discount : $this->house->money(0),
                [
                    HeldKind::Deposit->value => $money->depositIn(),
                    HeldKind::Layaway->value => $money->onLayaways(),
                    HeldKind::GiftCard->value => $money->onGiftCards(),
                ],
            ),
            $act->postedAt($slip),
            SlipParty::of($slip, null, $isOnAccount ? $this->house->money($account->balance) : null),
            $slip->hold === null && $slip->lines->isNotEmpty()
                ? Uuid::uuid5(Uuid::fromString($slip->key), 'receipt')->toString()
                : Uuid::uuid5(Uuid::fromString($slip->key), 'money in')->toString(),
            $part->tenders,
            $part->cashRounding,
            $part->change,
            $slip->deposit_for === '' ? '' : "Deposit for {$slip->deposit_for}",
        );
    }
}
