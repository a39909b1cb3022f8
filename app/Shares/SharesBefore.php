<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Elmstone\Books\Origin;
use Elmstone\Books\Origins;
use Elmstone\Core\Shares\PersonShare;
use Elmstone\Core\Shares\SharesBack;

/** The shares in a line that was sold, after all that came back of it so far. */
final class SharesBefore
{
    /**
     * @param  non-empty-list<PersonShare>  $shares
     * @param  Origin|null  $before only what came back before this line; null: all
     */
    public static function of(Origin $origin, Origins $origins, array $shares, ?Origin $before = null): SharesBack
    {
        $sold = $origins->sold($origin);
        $back = SharesBack::of($shares, $sold->quantity->value, $sold->net);

        foreach ($origins->taken($origin, $before) as $step) {
            $back = $back->after($step->quantity, $step->net);
        }

        return $back;
    }
}
