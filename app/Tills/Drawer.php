<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Carbon\CarbonImmutable;
use Elmstone\Books\Figures\SessionFigures;
use Elmstone\Books\Figures\TakenCheque;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;

/** What is in a drawer by the books: the float, and what the documents of its session moved. */
final class Drawer
{
    public const CASH = TenderKind::Cash;

    /** In the order in which they are counted. */
    private const COUNTED = [TenderKind::Cash, TenderKind::Cheque, TenderKind::Card];

    private const LISTED = [
        TenderKind::HouseAccount, TenderKind::GiftCard, TenderKind::StoreCredit, TenderKind::DepositHeld,
    ];

    public function __construct(private readonly SessionFigures $figures)
    {
    }

    /**
     * What should be there.
     *
     * @return array<string, Money> by way of paying, those that are counted
     */
    public function expected(TillSession $session): array
    {
        $expected = array_map(
            static fn (array $moved): Money => $moved['in']->minus($moved['out']),
            $this->figures->moved($session->id, self::COUNTED, $session->closed_at),
        );
        $expected[self::CASH->value] = $expected[self::CASH->value]->plus($session->float_amount);

        return $expected;
    }

    /** @return array<string, Money> by way of paying, what else was paid with; only what was used */
    public function listed(TillSession $session): array
    {
        return $this->figures->tendered($session->id, self::LISTED);
    }

    /** @return list<TakenCheque> those that should lie in it */
    public function cheques(TillSession $session): array
    {
        return $this->figures->cheques($session->id);
    }

    /** How often it was opened without a sale. */
    public function openedWithoutSale(TillSession $session): int
    {
        return SecurityLog::count(
            SecurityEvent::DrawerOpened,
            $session->till_id,
            $session->opened_at,
            $session->closed_at ?? CarbonImmutable::now(),
        );
    }

    /** @return list<CarbonImmutable> the business dates it spans */
    public function dates(TillSession $session): array
    {
        return $this->figures->dates($session->id);
    }

    public function documentCount(TillSession $session): int
    {
        return $this->figures->count($session->id);
    }
}
