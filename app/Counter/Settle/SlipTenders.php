<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Cards\CardRequest;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Slip\Slip;

/** By which ways a slip is paid. */
final readonly class SlipTenders
{
    public function __construct(private Slip $slip)
    {
    }

    /**
     * The tenders as they will stand on the documents, where money comes in.
     *
     * @return list<DraftTender>
     */
    public function drafts(): array
    {
        $slip = $this->slip;
        $drafts = array_map(
            static fn (CardRequest $card): DraftTender => self::draft(
                TenderKind::Card,
                $card->approved,
                '',
                $card->card_type,
                $card->last_four,
                $card->authorisation,
            ),
            $this->paidByCard(),
        );

        if ($slip->cheque !== null) {
            $drafts[] = self::draft(TenderKind::Cheque, $slip->cheque, $slip->cheque_number);
        }

        foreach ($slip->cardsUsed() as $card) {
            $drafts[] = self::draft(
                TenderKind::GiftCard,
                $card->amount,
                $card->words(),
                authorisation: (string) ($slip->giftCards[$card->code]->id ?? ''),
            );
        }

        foreach (
            [
                [TenderKind::StoreCredit, $slip->store_credit_used, ''],
                [TenderKind::DepositHeld, $slip->deposit_used, ''],
                [TenderKind::HouseAccount, $slip->charge, $slip->purchase_order],
                [TenderKind::Cash, $slip->cash, ''],
            ] as [$kind, $amount, $reference]
        ) {
            if ($amount !== null) {
                $drafts[] = self::draft($kind, $amount, $reference);
            }
        }

        return $drafts;
    }

    private static function draft(
        TenderKind $kind,
        Money $amount,
        string $reference = '',
        string $cardType = '',
        string $lastFour = '',
        string $authorisation = '',
    ): DraftTender {
        return new DraftTender(Tender::of($kind, $amount), $amount, $reference, $cardType, $lastFour, $authorisation);
    }

    /** @return list<CardRequest> */
    private function paidByCard(): array
    {
        return array_values(
            $this->slip->cards
                ->filter(static fn (CardRequest $card): bool => $card->state->pays() && ! $card->isBack())
                ->all(),
        );
    }
}
