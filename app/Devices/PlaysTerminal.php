<?php

declare(strict_types=1);

namespace Elmstone\Devices;

use Elmstone\Devices\Simulated\DeviceState;
use Elmstone\Devices\Simulated\TerminalMood;
use Elmstone\Shop\Till;

/** What the terminal says next, where terminals are played: for pages that nobody at a till sees. */
final class PlaysTerminal
{
    public static function isOn(): bool
    {
        return config('house.stand_ins') === true;
    }

    /** @return array<string, string> what it can say, in words */
    public static function moods(): array
    {
        $moods = [];

        foreach (TerminalMood::cases() as $mood) {
            $moods[$mood->value] = $mood->label();
        }

        return $moods;
    }

    /** @param  string  $mood one of moods(); anything else: as it is */
    public function next(Till $till, string $mood): void
    {
        self::isOn() && TerminalMood::tryFrom($mood) !== null
            && DeviceState::write($till, 'terminal', ['mood' => $mood]);
    }
}
