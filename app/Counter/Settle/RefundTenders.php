<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Books\Drafts\DraftTender;
use Elmstone\Cards\CardRequest;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Slip\Slip;
use Elmstone\MoneyOut\Way;
use Elmstone\Shop\House;

/** What goes back by the ways that were chosen, as tenders of the credit note. */
final readonly class RefundTenders
{
    public function __construct(private RefundWays $ways, private Slip $slip, private House $house)
    {
    }

    /**
     * As tenders of the credit note, what goes to goods taken along first. Cash as it changes hands.
     *
     * @param  string  $cardId the gift card it goes on, where one does
     * @return list<DraftTender>
     */
    public function all(string $cardId = '', string $cardWords = ''): array
    {
        $drafts = $this->ways->exchanged->isPositive()
            ? [self::draft(TenderKind::Exchange, $this->ways->exchanged)]
            : [];

        foreach (RefundWays::KINDS as $kind) {
            $amount = $this->ways->chosen($kind);

            if ($amount->isPositive()) {
                $drafts[] = match ($kind) {
                    TenderKind::Cash => self::draft($kind, $this->house->handedOver($amount, $kind)[0]),
                    TenderKind::Cheque, TenderKind::BankTransfer => self::draft(
                        $kind,
                        $amount,
                        $this->slip->back_reference,
                    ),
                    TenderKind::GiftCard => new DraftTender(
                        Tender::of($kind, $amount),
                        $amount,
                        $cardWords,
                        authorisation: $cardId,
                    ),
                    default => self::draft($kind, $amount),
                };
            }
        }

        foreach ($this->ways->giftCards() as $way => $most) {
            $amount = $this->ways->chosen($way);
            $amount->isPositive()
                && ($drafts[] = new DraftTender(
                    Tender::of(TenderKind::GiftCard, $amount),
                    $amount,
                    'card that paid',
                    authorisation: Way::read($way)->which ?? '',
                ));
        }

        // Under the authorisation it was taken by, so that what came in and what went back stand together.
        foreach (
            $this->slip->cards->filter(
                static fn (CardRequest $card): bool => $card->isBack() && $card->state->pays(),
            ) as $card
        ) {
            $amount = $card->approved;
            $drafts[] = new DraftTender(
                Tender::of(TenderKind::Card, $amount),
                $amount,
                $card->authorisation,
                $card->card_type,
                $card->last_four,
                $card->against,
            );
        }

        return $drafts;
    }

    private static function draft(TenderKind $kind, Money $amount, string $reference = ''): DraftTender
    {
        return new DraftTender(Tender::of($kind, $amount), $amount, $reference);
    }
}
