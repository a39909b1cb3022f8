<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Core\Till\CashCount;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Illuminate\Support\Str;

/**
 * Tills at which nobody stands are closed with the day: there is no drawer to count, only what the card company says.
 * Where that is not what the books say, the difference is posted and noted, as at any till; where two people have to
 * sign for it, it stays counted, and they close it there.
 */
final readonly class CloseOnline
{
    public function __construct(
        private House $house,
        private CountTill $count,
        private CloseTill $close,
        private ReadTerminal $terminal,
        private Drawer $drawer,
    ) {
    }

    public function at(int $location, CarbonImmutable $day, Staff $by): void
    {
        $sessions = TillSession::query()
            ->with('till')
            ->where('location_id', $location)
            ->where('unclosed', true)
            ->where('opened_on', '<=', $day->format('Y-m-d'))
            ->whereRelation('till', 'online', true)
            ->get();

        foreach ($sessions as $session) {
            $this->one($session, $by);
        }
    }

    private function one(TillSession $session, Staff $by): void
    {
        $reported = $this->terminal->of($session)?->total();

        if ($reported === null) {
            return;
        }

        $none = $this->house->money(0);
        $isRight = $reported->equals($this->drawer->expected($session)[TenderKind::Card->value]);

        try {
            $count = $this->count->handle(
                $session->till,
                new Counted(CashCount::of($none->currency, []), [], $none, $reported, true),
                (int) $session->counts()->max('number'),
                $by,
            );
            $this->close->handle(
                $session->till,
                $count->number,
                $none,
                $isRight ? '' : 'The card company reports otherwise than the books.',
                $by,
                (string) Str::uuid(),
            );
        } catch (Refused $refused) {
            // A payment is on its way, or two people sign for what is so far off: the day waits for it, and says which
            // till is open.
            in_array($refused->rule, ['card_unknown', 'witness_missing'], true) || throw $refused;
        }
    }
}
