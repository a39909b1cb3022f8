<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Elmstone\Books\Origin;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\Surcharge;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Support\Casts\MoneyCast;
use Illuminate\Support\Facades\DB;

/**
 * What a card payment of a sale cost who paid, and what of it comes back when something goes back to that card.
 * docs/rules.md, "Card surcharge".
 */
final readonly class SurchargePaid
{
    /**
     * @param  Origin  $line of the invoice that says it
     * @param  Money  $surcharge tax in it
     * @param  Money  $paid of the sale, without it
     * @param  Money  $refunded to the card so far, without what came back of it
     * @param  Money  $before what came back of it so far
     */
    private function __construct(
        public Origin $line,
        public Money $surcharge,
        private Money $paid,
        private Money $refunded,
        private Money $before,
    ) {
    }

    /** Null: this payment bore none. */
    public static function of(string $authorisation): ?self
    {
        $paid = CardRequest::query()
            ->where('authorisation', $authorisation)
            ->where('against', '')
            ->whereNotNull('document_id')
            ->whereNotNull('surcharge_line')
            ->first();

        if ($paid === null || $paid->document_id === null || $paid->surcharge_line === null) {
            return null;
        }

        $tender = (int) DB::table('document_tenders')
            ->where('document_id', $paid->document_id)
            ->where('kind', TenderKind::Card->value)
            ->where('authorisation', $authorisation)
            ->sum('amount');
        [$refunded, $before] = self::back($authorisation);

        return new self(
            new Origin($paid->document_id, $paid->surcharge_line),
            $paid->surcharge_total,
            MoneyCast::read($tender)->minus($paid->surcharge_total),
            $refunded,
            $before,
        );
    }

    /** The most that can still go back to the card besides what comes back of the surcharge. */
    public function most(): Money
    {
        return $this->paid->minus($this->refunded)->orNothing();
    }

    /** What comes back of it when so much more goes back to the card. */
    public function with(Money $refund): Money
    {
        return Surcharge::back(
            $this->surcharge,
            $this->paid,
            Money::min($this->paid, $this->refunded->plus($refund)),
            $this->before,
        );
    }

    /** @return array{Money, Money} what went back of a sale to the card without its surcharge, and of that */
    private static function back(string $authorisation): array
    {
        $none = MoneyCast::read(0);
        [$refunded, $before] = [$none, $none];
        $requests = CardRequest::query()
            ->where('against', $authorisation)
            ->where('subject', 'slip')
            ->whereIn('state', CardState::live())
            ->get();

        foreach ($requests as $request) {
            $refunded = $refunded->plus($request->atStake())->minus($request->surcharge_total);
            $before = $before->plus($request->surcharge_total);
        }

        return [$refunded, $before];
    }
}
