<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Elmstone\Books\Proof\Check;
use Elmstone\Books\Proof\Proof;
use Elmstone\Support\Casts\MoneyCast;
use Illuminate\Support\Facades\DB;

/**
 * Proves the cards: no payment gave back more than it brought, in documents and open questions together; what was
 * posted by card stands in a question, and the other way round.
 */
final class ProveCards implements Check
{
    public function prove(Proof $proof): void
    {
        $brought = <<<'SQL'
        SELECT t.authorisation, t.last_four,
            SUM(CASE WHEN d.kind IN ('invoice', 'receipt') THEN t.amount ELSE 0 END) AS came,
            SUM(CASE WHEN d.kind IN ('credit_note', 'refund')
                OR d.purpose IN ('returned_payment', 'receipt_reversed') THEN t.amount ELSE 0 END) AS went
        FROM document_tenders t
            JOIN documents d ON d.id = t.document_id WHERE t.kind = 'card' GROUP BY t.authorisation, t.last_four
        SQL;
        $sums = [];

        foreach (DB::select($brought) as $row) {
            $card = (string) $row->authorisation;
            $left = MoneyCast::read((int) $row->came - (int) $row->went);
            $sums[$card] = isset($sums[$card]) ? $sums[$card]->plus($left) : $left;
        }

        foreach (
            CardMoney::reserved(
                array_map(
                    strval(...),
                    DB::table('card_requests')->where('against', '<>', '')->distinct()->pluck('against')->all(),
                ),
            ) as $authorisation => $amount
        ) {
            $sums[$authorisation] = ($sums[$authorisation] ?? MoneyCast::read(0))->minus($amount);
        }

        foreach ($sums as $authorisation => $left) {
            $left->isNegative()
                && $proof->fault(
                    "card payment {$authorisation}: {$left->negated()->toString()} more went back than it brought",
                );
        }

        $lost = 'SELECT r.`key` FROM card_requests r LEFT JOIN document_tenders t ON t.document_id = r.document_id AND '
            .'t.kind = \'card\' WHERE r.document_id IS NOT NULL AND t.document_id IS NULL';

        foreach (DB::select($lost) as $row) {
            $proof->fault("card question {$row->key}: its document has no card among its tenders");
        }

        $proof->checked('card payments, with what went back of each', count($sums));
    }
}
