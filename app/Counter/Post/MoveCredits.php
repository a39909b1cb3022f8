<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Held\Cards\GiftCardLedger;
use Elmstone\Held\Ledger\HeldAccount;
use Elmstone\Held\Ledger\HeldLedger;
use LogicException;

/** Money held as a slip is posted, deposits, store credit and gift cards: locked in their order, used and given. */
final class MoveCredits
{
    public function __construct(private readonly HeldLedger $credits, private readonly GiftCardLedger $cards)
    {
    }

    public function lock(Slip $slip): void
    {
        $slip->creditAccount = $slip->touchesStoreCredit()
            ? $this->credits->lock(HeldKind::StoreCredit, (int) $slip->customer_id)
            : null;
        $slip->storeCredit = $slip->creditAccount?->balance;
        $slip->giftCards = $this->cards->lockAll($slip->cardCodes())->all();
    }

    /**
     * What was held for the customer, or stood on gift cards, and pays now.
     *
     * @param  list<DraftTender>  $tenders of a document that takes money in
     * @param  HeldAccount|null  $deposits held for them, locked
     */
    public function use(int $document, array $tenders, Slip $slip, ?HeldAccount $deposits): void
    {
        foreach ($tenders as $tender) {
            [$kind, $amount] = [$tender->tender->kind, $tender->tender->amount];

            if ($kind === TenderKind::StoreCredit && $slip->creditAccount !== null) {
                $this->credits->take($slip->creditAccount, $document, $amount, $slip->day());
            } elseif ($kind === TenderKind::DepositHeld && $deposits !== null && $amount->isPositive()) {
                $this->credits->take($deposits, $document, $amount, $slip->day());
            } elseif ($kind === TenderKind::GiftCard && $amount->isPositive()) {
                $this->cards->take(self::card($slip, $tender), $document, $amount, $slip->day());
            }
        }
    }

    /** @param  list<DraftTender>  $tenders of a credit note */
    public function give(int $document, array $tenders, Slip $slip): void
    {
        foreach ($tenders as $tender) {
            [$kind, $amount] = [$tender->tender->kind, $tender->tender->amount];

            if ($kind === TenderKind::StoreCredit && $slip->creditAccount !== null) {
                $this->credits->put($slip->creditAccount, $document, $amount, $slip->day());
            } elseif ($kind === TenderKind::GiftCard && $amount->isPositive()) {
                $this->cards->put(self::card($slip, $tender), $document, $amount, $slip->day());
            }
        }
    }

    /** The card a credit goes on: one that is there, or a new one. */
    public function cardToFill(Slip $slip): GiftCard
    {
        $card = $slip->back_card === null ? $this->cards->issue($slip->day()) : $slip->giftCards[$slip->back_card];
        $slip->giftCards[$card->code] = $card;

        return $card;
    }

    private static function card(Slip $slip, DraftTender $tender): GiftCard
    {
        foreach ($slip->giftCards as $card) {
            if ((string) $card->id === $tender->authorisation) {
                return $card;
            }
        }

        throw new LogicException("Gift card {$tender->reference} pays and was not locked.");
    }
}
