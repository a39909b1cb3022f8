<?php

declare(strict_types=1);

namespace Elmstone\Tills\Safe;

use Elmstone\Books\Figures\TakenCheque;
use Elmstone\Tills\Drawer;
use Elmstone\Tills\TillCount;
use Elmstone\Tills\TillSession;
use Illuminate\Support\Facades\DB;

/** Puts the cheques a drawer was closed with into the safe, one by one. */
final class KeepCheques
{
    public function __construct(private readonly Drawer $drawer)
    {
    }

    /** In the transaction that closes it. */
    public function keep(TillSession $session, TillCount $count): void
    {
        $ticked = DB::table('till_count_cheques')
            ->where('count_id', $count->id)
            ->get(['document_id', 'position'])
            ->map(static fn (object $row): string => "{$row->document_id}-{$row->position}")
            ->all();

        if ($ticked === [] && ! $count->other_cheques->isPositive()) {
            return;
        }

        $rows = array_map(
            static fn (TakenCheque $cheque): array => [
                'location_id' => $session->location_id,
                'session_id' => $session->id,
                'document_id' => $cheque->document,
                'position' => $cheque->position,
                'number' => $cheque->number,
                'payer' => $cheque->from,
                'amount' => $cheque->amount,
            ],
            array_filter(
                $this->drawer->cheques($session),
                static fn (TakenCheque $cheque): bool => in_array($cheque->key(), $ticked, true),
            ),
        );

        if ($count->other_cheques->isPositive()) {
            $rows[] = [
                'location_id' => $session->location_id,
                'session_id' => $session->id,
                'document_id' => null,
                'position' => null,
                'number' => '',
                'payer' => 'on no list',
                'amount' => $count->other_cheques,
            ];
        }

        DB::table('safe_cheques')->insert(array_values($rows));
    }
}
