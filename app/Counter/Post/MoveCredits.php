<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Slip\Slip;
use Elmstone\GiftCards\GiftCard;
use Elmstone\GiftCards\GiftCardLedger;
use Elmstone\StoreCredit\StoreCreditLedger;

/** Store credit and gift cards as a slip is posted: locked in their order, used and given. */
final class MoveCredits
{
    public function __construct(private readonly StoreCreditLedger $credits, private readonly GiftCardLedger $cards)
    {
    }

    public function lock(Slip $slip): void
    {
        $slip->creditAccount = $slip->touchesStoreCredit() ? $this->credits->lock((int) $slip->customer_id) : null;
        $slip->storeCredit = $slip->creditAccount->held ?? 0;
        $slip->giftCards = $this->cards->lockAll($slip->cardCodes())->all();
    }

    /** @param  list<DraftTender>  $tenders of a document that takes money in */
    public function use(int $document, array $tenders, Slip $slip): void
    {
        $this->move($document, $tenders, $slip, -1);
    }

    /** @param  list<DraftTender>  $tenders of a credit note */
    public function give(int $document, array $tenders, Slip $slip): void
    {
        $this->move($document, $tenders, $slip, 1);
    }

    /** The card a credit goes on: one that is there, or a new one. */
    public function cardToFill(Slip $slip): GiftCard
    {
        $card = $slip->back_card === null ? $this->cards->issue($slip->day()) : $slip->giftCards[$slip->back_card];
        $slip->giftCards[$card->code] = $card;

        return $card;
    }

    /** @param  list<DraftTender>  $tenders */
    private function move(int $document, array $tenders, Slip $slip, int $sign): void
    {
        foreach ($tenders as $tender) {
            $amount = $sign * $tender->tender->amount->minor;

            if ($tender->tender->kind === TenderKind::StoreCredit && $slip->creditAccount !== null) {
                $this->credits->move($slip->creditAccount, $document, $amount, $slip->day());
            }

            foreach ($tender->tender->kind === TenderKind::GiftCard ? $slip->giftCards : [] as $card) {
                if ((string) $card->id === $tender->authorisation) {
                    $this->cards->move($card, $document, $amount, $slip->day());
                }
            }
        }
    }
}
