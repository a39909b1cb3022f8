<?php

declare(strict_types=1);

namespace Elmstone\Reports\Definitions;

use Elmstone\Books\Account;
use Elmstone\Books\Figures\LedgerDays;
use Elmstone\Books\HeldKind;
use Elmstone\Held\Ledger\HeldMoves;
use Elmstone\Reports\Asked;
use Elmstone\Reports\Entry;
use Elmstone\Reports\Figure;
use Elmstone\Reports\OneReport;
use Elmstone\Staff\Ability;

/** What is held for others by kind: before, in, out, at the end; and that the ledger says the same. */
final class HeldRolledForward extends OneReport
{
    protected const KEY = 'held';

    protected const TITLE = 'Money held, rolled forward';

    protected const QUESTION = 'What do we hold for others: deposits, layaways, orders, gift cards, store credit?';

    protected const GROUP = 'Office';

    protected const ABILITY = Ability::SeeLedger;

    protected const BY = ['kind' => 'kind'];

    protected const COMPARES = false;

    public function __construct(private readonly LedgerDays $days)
    {
    }

    public function figures(Asked $asked): array
    {
        return [
            Figure::money('closing', 'Held at the end'), Figure::money('opening', 'Before'), Figure::money('in', 'In'),
            Figure::money('out', 'Out'), Figure::money('account', 'By the ledger'),
            Figure::money('difference', 'Difference'),
        ];
    }

    public function entries(Asked $asked): array
    {
        $before = HeldMoves::until($asked->period->from->subDay());
        $moved = HeldMoves::between($asked->period);
        $ledger = $this->days->between(null, $asked->period->until, null);
        $entries = [];

        foreach (HeldKind::cases() as $kind) {
            [$in, $out] = $moved[$kind->value] ?? [0, 0];
            $opening = $before[$kind->value] ?? 0;
            [$debit, $credit] = $ledger[$kind->account()] ?? [0, 0];
            $entries[] = new Entry($kind->value, ucfirst($kind->words()), [
                'opening' => $opening, 'in' => $in, 'out' => $out, 'closing' => $opening + $in + $out,
                'account' => $credit - $debit, 'difference' => $opening + $in + $out - ($credit - $debit),
            ], route('ledger.account', ['account' => self::number($kind), ...$asked->period->query()]));
        }

        return $entries;
    }

    private static function number(HeldKind $kind): string
    {
        $number = Account::query()->whereKey($kind->account())->value('number');

        return is_string($number) ? $number : '';
    }
}
