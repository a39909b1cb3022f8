<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Shares\CommissionRate;
use Elmstone\Core\Shares\Part;
use Elmstone\Core\Shares\PersonShare;
use Elmstone\Core\Shares\RateOf;
use Elmstone\Core\Shares\Sharing;

/** "shares": what each who sold a line has of its net, and the commission on it. */
final readonly class SharesAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'net', 'cost', 'shares');
        $currency = $request->currency();
        $rates = [];
        $parts = [];

        foreach ($request->children('shares') as $share) {
            $share->only('person', 'percent', 'rate', 'of');
            $person = $share->string('person');
            $percent = $share->read('percent', Percentage::of(...));
            $parts[] = $share->checked('percent', static fn (): Part => Part::of($person, $percent));
            $rates[$person] = new CommissionRate(
                $share->read('rate', Percentage::of(...), '0'),
                $share->read('of', self::of(...), 'net'),
            );
        }

        $sharing = $request->checked('shares', static fn (): Sharing => Sharing::of($parts));
        $net = $request->money('net', $currency);
        $request->checked(
            'net',
            static fn (): bool => ! $net->isNegative()
                || throw Refused::because('below_zero', 'The net of a line is not below zero.'),
        );
        $cost = $request->has('cost') ? $request->money('cost', $currency) : $net->minus($net);

        return [
            'shares' => array_map(
                static fn (PersonShare $share): array => [
                    'person' => $share->part->person,
                    'net' => $share->net->toString(),
                    'commission' => $share->commission->toString(),
                ],
                $sharing->line($net, $cost, $rates),
            ),
        ];
    }

    /** @throws Refused unknown_base */
    private static function of(string $of): RateOf
    {
        return RateOf::tryFrom($of) ?? throw Refused::because('unknown_base', "“{$of}” is neither net nor margin.");
    }
}
