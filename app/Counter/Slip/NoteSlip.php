<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

/** Why a slip waits, for whoever takes it up again: seen on its tab, in the lists and on the slip. */
final class NoteSlip
{
    public const LONGEST = 120;

    public function __construct(private readonly SlipDesk $desk)
    {
    }

    public function handle(string $slipKey, Act $act, string $note): Slip
    {
        return $this->desk->change($slipKey, $act, static function (Slip $slip) use ($note): void {
            $slip->note = mb_substr(trim($note), 0, self::LONGEST);
        });
    }
}
