<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Tills\CountedWay;
use Elmstone\Tills\TillSession;
use LogicException;

/** What was taken by card in a session, as its terminal reported it. */
final readonly class CardBatch
{
    private function __construct(
        public int $session,
        public string $label,
        public string $till,
        public CarbonImmutable $closedOn,
        public Money $amount,
    ) {
    }

    /** Of a closed one. */
    public static function of(TillSession $session): self
    {
        $way = $session->counts->last()?->ways
            ->first(static fn (CountedWay $way): bool => $way->way === TenderKind::Card);

        return new self(
            $session->id,
            $session->label(),
            "{$session->till->name}, {$session->till->location->town}",
            $session->closed_on ?? throw new LogicException('A session that is not closed has no batch.'),
            $way->counted ?? throw new LogicException('A session is closed on a count.'),
        );
    }
}
