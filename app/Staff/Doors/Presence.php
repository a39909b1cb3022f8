<?php

declare(strict_types=1);

namespace Elmstone\Staff\Doors;

use Carbon\CarbonImmutable;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Illuminate\Contracts\Session\Session;

/**
 * Whether whoever signed in still holds the till: until their PIN, role or place in the house changes, until they sign
 * out everywhere, and for so long without an act as the shop allows. Locked, the page asks for the PIN and everything
 * on it stays.
 */
final class Presence
{
    public function __construct(private readonly Session $session, private readonly House $house)
    {
    }

    public function begin(Staff $staff): void
    {
        $this->session->put(['epoch' => $staff->epoch, 'acted_at' => CarbonImmutable::now()->getTimestamp()]);
        $this->session->forget('locked');
    }

    /** Whether the session is of before a change that ended it. */
    public function isOver(Staff $staff): bool
    {
        return $this->session->get('epoch', 0) !== $staff->epoch;
    }

    public function isLocked(): bool
    {
        $acted = $this->session->get('acted_at');
        $minutes = $this->house->shop()->idle_minutes;

        return $this->session->get('locked') === true
            || ($minutes > 0 && is_int($acted) && CarbonImmutable::now()->getTimestamp() - $acted > 60 * $minutes);
    }

    public function lock(): void
    {
        $this->session->put('locked', true);
    }

    public function unlock(): void
    {
        $this->session->forget('locked');
        $this->acts();
    }

    public function acts(): void
    {
        $this->session->put('acted_at', CarbonImmutable::now()->getTimestamp());
    }
}
