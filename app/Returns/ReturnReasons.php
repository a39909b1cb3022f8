<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Books\GoodsTo;
use Elmstone\Shop\House;

/** Why things come back, as the shop has set it: what it is called, whether it is offered, and what follows from it. */
final class ReturnReasons
{
    /** Why goods come back. */
    public const OF_GOODS = [
        ReturnReason::NotNeeded, ReturnReason::WrongItem, ReturnReason::DoesNotFit, ReturnReason::Faulty,
        ReturnReason::Damaged, ReturnReason::Recalled,
    ];

    public function __construct(private readonly House $house)
    {
    }

    public function words(ReturnReason $reason): string
    {
        $words = $this->set($reason, 'words');

        return is_string($words) && $words !== '' ? $words : $reason->shippedWords();
    }

    public function isOffered(ReturnReason $reason): bool
    {
        return (bool) ($this->set($reason, 'offered') ?? true);
    }

    /** @return non-empty-list<ReturnReason> those offered for goods; one that all are taken from has all */
    public function offered(): array
    {
        $offered = array_values(array_filter(self::OF_GOODS, $this->isOffered(...)));

        return $offered === [] ? self::OF_GOODS : $offered;
    }

    public function keepsFee(ReturnReason $reason): bool
    {
        return (bool) ($this->set($reason, 'fee') ?? $reason->shippedFee());
    }

    public function goodsTo(ReturnReason $reason): GoodsTo
    {
        $set = $this->set($reason, 'goods');

        return (is_string($set) ? GoodsTo::tryFrom($set) : null) ?? $reason->shippedGoodsTo();
    }

    private function set(ReturnReason $reason, string $what): mixed
    {
        return $this->house->shop()->reasons["{$reason->value}_{$what}"] ?? null;
    }
}
