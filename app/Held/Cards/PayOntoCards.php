<?php

declare(strict_types=1);

namespace Elmstone\Held\Cards;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\MoneyOut\OntoCards;

/** What a deposit, a layaway or a payment took from a gift card goes back onto it. */
final class PayOntoCards implements OntoCards
{
    /** @var array<int, GiftCard> locked, by id */
    private array $locked = [];

    public function __construct(private readonly GiftCardLedger $ledger)
    {
    }

    public function lock(array $cards): void
    {
        $this->locked = $this->ledger->lockIds($cards)->all();
    }

    public function assertUsable(array $cards): void
    {
        $blocked = $cards === [] ? null : GiftCard::query()->whereIn('id', $cards)->where('blocked', true)->first();
        $blocked === null
            || throw Refused::because(
                'card_unusable',
                "Gift card {$blocked->masked()} is blocked, so nothing can go back onto it. Choose another way, or "
                    .'keep it as a deposit.',
            );
    }

    public function pay(int $card, int $document, Money $amount, CarbonImmutable $day): void
    {
        $onto = $this->locked[$card]
            ?? throw Refused::because(
                'changed_elsewhere',
                'The gift card that paid was not expected. Look at the sums again.',
            );
        $this->ledger->put($onto, $document, $amount, $day);
    }
}
