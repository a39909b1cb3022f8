<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Cards\CardMoney;
use Elmstone\Cards\CardRequest;

/** What terminals took stands in the one document, what they gave back in the other. */
final readonly class CardMoneyPosted extends Step
{
    public function post(SlipPosting $posting): void
    {
        $open = $posting->slip()->cards->whereNull('document_id');
        $back = $open->filter(static fn (CardRequest $card): bool => $card->isBack());
        CardMoney::posted($open->diff($back), $posting->sale ?? ($posting->receipt ?? 0));
        CardMoney::posted($back, $posting->credit ?? 0);
    }
}
