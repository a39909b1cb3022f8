<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Elmstone\Core\Money\Money;
use Elmstone\Support\Scale;
use Elmstone\Support\Show;

/**
 * How an account stands as a picture: one scale from 0 to the limit. Hatched: late. Solid: owed and not due. Pale: what
 * is ordered and will be charged. Dashed outline: what this slip would add. The limit is a post; beyond the post is
 * visibly beyond.
 */
final class StandingBar
{
    public static function svg(AccountStanding $account, ?Money $adds = null, int $width = 240): string
    {
        // Credit that is not used makes what is owed less: it is taken off the far end.
        $owed = $account->late->plus($account->notDue)->minus($account->credit)->orNothing();
        $late = Money::min($account->late->orNothing(), $owed);
        $limit = $account->standing->limit;
        $ordered = $owed->plus($account->standing->orders->orNothing());
        $then = $ordered->plus($adds?->orNothing() ?? Money::zero($owed->currency));
        $whole = Money::max($limit, $then);
        // Room to show the post where nothing lies beyond it.
        $at = static fn (Money $amount): int => Scale::of($width - 8, $amount, $whole);
        [$x1, $x2, $x3, $x4, $post] = [$at($late), $at($owed), $at($ordered), $at($then), $at($limit)];
        $id = "late-{$account->account->customer_id}";
        $body = sprintf(
            '<defs><pattern id="%s" width="5" height="5" patternUnits="userSpaceOnUse" '
                .'patternTransform="rotate(45)"><rect width="5" height="5" fill="#f5ead4"/><line x1="1" y1="0" x2="1" '
                .'y2="5" stroke="#8a5e08" stroke-width="1.6"/></pattern></defs>',
            $id,
        );
        $body .= sprintf('<line x1="0" y1="38.5" x2="%d" y2="38.5" stroke="#d8d2c6"/>', $width);
        $body
            .= $x1 > 0
                ? sprintf(
                    '<rect x="0.5" y="20.5" width="%d" height="17" fill="url(#%s)" stroke="#8a5e08"/>',
                    max(2, $x1 - 1),
                    $id,
                )
                : '';
        $body
            .= $x2 > $x1
                ? sprintf('<rect x="%d" y="20" width="%d" height="18" fill="#8d8577"/>', $x1, max(2, $x2 - $x1))
                : '';
        $body
            .= $x3 > $x2
                ? sprintf(
                    '<rect x="%d.5" y="20.5" width="%d" height="17" fill="#e3ddd0" stroke="#8d8577"/>',
                    $x2,
                    max(2, $x3 - $x2 - 1),
                )
                : '';
        $body
            .= $then->exceeds($ordered)
                ? sprintf(
                    '<rect x="%d.5" y="20.5" width="%d" height="17" fill="none" stroke="%s" stroke-width="1.5" '
                        .'stroke-dasharray="4 2"/>',
                    $x3,
                    max(3, $x4 - $x3 - 1),
                    $then->exceeds($limit) ? '#9c3324' : '#1e6a6c',
                )
                : '';
        $body .= sprintf(
            '<line x1="%1$d" y1="15" x2="%1$d" y2="44" stroke="#26221d" stroke-width="2.5"/>',
            max(1, $post),
        );
        $anchor = $post > $width - 70 ? 'end' : ($post < 40 ? 'start' : 'middle');
        $body .= sprintf(
            '<text x="%d" y="11" text-anchor="%s" fill="#26221d">limit %s</text>',
            $anchor === 'end' ? min($width, $post + 6) : max(0, $post),
            $anchor,
            Show::whole($account->standing->limit),
        );

        return sprintf(
            '<svg class="standing-svg" viewBox="0 0 %1$d 46" width="%1$d" height="46" role="img" '
                .'aria-label="%2$s">%3$s</svg>',
            $width,
            e(self::words($account, $adds)),
            $body,
        );
    }

    public static function words(AccountStanding $account, ?Money $adds): string
    {
        $words = [
            'Limit '.Show::money($account->standing->limit),
            Show::owes($account->standing->balance),
            'late '.Show::money($account->late),
        ];

        if ($account->standing->orders->isPositive()) {
            $words[] = 'on order '.Show::money($account->standing->orders);
        }

        if ($adds?->isPositive() === true) {
            $words[] = 'this slip adds '.Show::money($adds);
        }

        return implode(', ', $words);
    }
}
