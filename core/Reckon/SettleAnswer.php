<?php

declare(strict_types=1);

namespace Elmstone\Core\Reckon;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Settlement\CashStep;
use Elmstone\Core\Settlement\Settlement;
use Elmstone\Core\Settlement\Tender;
use Elmstone\Core\Settlement\TenderKind;

/** "settle": how tenders meet a total. */
final readonly class SettleAnswer
{
    /** @return array<string, mixed> */
    public static function to(Node $request): array
    {
        $request->only('do', 'currency', 'total', 'cash_step', 'tenders');
        $currency = $request->currency();
        $total = $request->money('total', $currency);
        $step = $request->has('cash_step')
            ? $request->checked(
                'cash_step',
                static fn (): CashStep => CashStep::of($request->money('cash_step', $currency)),
            )
            : null;
        $tenders = array_map(
            static fn (Node $tender): Tender => self::tender($tender, $currency),
            $request->children('tenders'),
        );
        $settlement = $request->checked('tenders', static fn (): Settlement => Settlement::of($total, $tenders, $step));

        return [
            'applied' => array_map(
                static fn (Tender $tender): array => [
                    'kind' => $tender->kind->value,
                    'amount' => $tender->amount->toString(),
                ],
                $settlement->applied,
            ),
            'cash_rounding' => $settlement->cashRounding->toString(),
            'change' => $settlement->change->toString(),
            'outstanding' => $settlement->outstanding->toString(),
        ];
    }

    private static function tender(Node $node, Currency $currency): Tender
    {
        $node->only('kind', 'amount');
        $kind = TenderKind::tryFrom($node->string('kind'))
            ?? throw new BadRequest('bad_tender', "“{$node->string('kind')}” is not a way of paying.", $node
                ->at('kind'));

        return $node->checked('amount', static fn (): Tender => Tender::of($kind, $node->money('amount', $currency)));
    }
}
