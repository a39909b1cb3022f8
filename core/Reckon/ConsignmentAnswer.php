<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Consignment\OwnerShare;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Slip\Direction;

/** "consignment": what the owner of goods has of a period's sales, and what is paid out. */
final readonly class ConsignmentAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'lines', 'fees');
        $currency = $request->currency();
        $sold = $share = Money::zero($currency);
        $fees = $request->has('fees') ? $request->money('fees', $currency) : Money::zero($currency);
        $fees->isNegative() && throw new BadRequest('below_zero', 'Fees cannot be below zero.', $request->at('fees'));

        foreach ($request->children('lines') as $line) {
            $line->only('id', 'net', 'percent', 'direction');
            $net = $line->money('net', $currency);
            $net->isNegative() && throw new BadRequest(
                'below_zero',
                'The direction says which way a line goes, never a sign.',
                $line->at('net'),
            );
            $its = $line->read('percent', OwnerShare::percent(...))->of($net);
            $back = self::isBack($line);
            $sold = $back ? $sold->minus($net) : $sold->plus($net);
            $share = $back ? $share->minus($its) : $share->plus($its);
        }

        return [
            'sold' => $sold->toString(),
            'owner_share' => $share->toString(),
            'fees' => $fees->toString(),
            'payable' => $share->minus($fees)->toString(),
        ];
    }

    private static function isBack(Node $line): bool
    {
        $direction = $line->string('direction', Direction::Out->value);

        return match (Direction::tryFrom($direction)) {
            Direction::Out => false,
            Direction::Back => true,
            null => throw new BadRequest(
                'bad_direction',
                "“{$direction}” is not a direction; known are out, back.",
                $line->at('direction'),
            ),
        };
    }
}
