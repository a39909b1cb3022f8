<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post\Steps;

use Elmstone\Cards\CardMoney;
use Elmstone\Cards\CardRequest;
use Elmstone\Counter\Post\SlipPosting;
use Elmstone\Counter\Post\Step;

/** What terminals took stands in the one document, what they gave back in the other; with what it cost who pays. */
final readonly class CardMoneyPosted extends Step
{
    public function post(SlipPosting $posting): void
    {
        $open = $posting->slip()->cards->whereNull('document_id');
        $back = $open->filter(static fn (CardRequest $card): bool => $card->isBack());
        CardMoney::posted($open->diff($back), $posting->sale ?? ($posting->receipt ?? 0));
        CardMoney::posted($back, $posting->credit ?? 0);
        $posting->sale === null || $this->surcharges($posting);
    }

    private function surcharges(SlipPosting $posting): void
    {
        $goods = count($posting->reckoned->places);
        $lines = $posting->reckoned->surchargeLines();

        foreach ($posting->reckoned->surcharges->cards as $place => $card) {
            $card->update([
                'surcharge_total' => $lines[$place]->total,
                'surcharge_line' => $goods + $place + 1,
            ]);
        }
    }
}
