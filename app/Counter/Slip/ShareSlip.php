<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Core\Money\Refused;
use Elmstone\Shares\Sharings;

/** Says who sells all that is on a slip, together with whom and by which parts. */
final class ShareSlip
{
    public function __construct(private readonly SlipDesk $desk, private readonly Sharings $sharings)
    {
    }

    /**
     * @param  string  $typed staff numbers, as Sharings reads them; empty: whoever serves
     *
     * @throws Refused shares_not_whole, shared_twice, bad_sharing, no_such_person
     */
    public function handle(string $slipKey, Act $act, string $typed): Slip
    {
        return $this->desk->change($slipKey, $act, function (Slip $slip) use ($act, $typed): void {
            $slip->sharing_id = $this->sharings->typedId($typed, $act->by);
        });
    }
}
