<?php

declare(strict_types=1);

namespace Elmstone\Counter\Lines;

use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipDesk;

/**
 * What was scanned and is in no list. The thing lies in the customer's bag all the same: it stays on the slip, and
 * nothing is posted, until somebody says what it is or takes it away.
 */
final class UnknownScans
{
    public const MOST = 20;

    private const LONGEST = 80;

    public function __construct(private readonly SlipDesk $desk)
    {
    }

    /** @throws Refused too_many_unknown, and what the desk refuses */
    public function keep(string $slipKey, Act $act, string $scanned): Slip
    {
        return $this->desk->change($slipKey, $act, static function (Slip $slip) use ($scanned): void {
            count($slip->unknown ?? []) < self::MOST || throw Refused::because(
                'too_many_unknown',
                self::MOST.' things on this slip are not known. Deal with those first.',
            );
            $slip->unknown = [...$slip->unknown ?? [], mb_substr(trim($scanned), 0, self::LONGEST)];
        });
    }

    /** It was dealt with; no longer there is no fault. */
    public function drop(string $slipKey, Act $act, string $scanned): Slip
    {
        return $this->desk->change($slipKey, $act, static fn (Slip $slip) => self::without($slip, $scanned));
    }

    /** One of those that were scanned so: the same thing scanned twice is two things. */
    public static function without(Slip $slip, string $scanned): void
    {
        $left = $slip->unknown ?? [];
        $place = array_search($scanned, $left, true);

        if ($place !== false) {
            unset($left[$place]);
            $slip->unknown = $left === [] ? null : array_values($left);
        }
    }
}
