<?php

declare(strict_types=1);

namespace Elmstone\Shares;

use Brick\Math\BigDecimal;
use Elmstone\Books\Drafts\DocumentDraft;
use Elmstone\Books\Drafts\DraftLine;
use Elmstone\Books\GoodsTo;
use Elmstone\Books\Origins;
use Elmstone\Core\Shares\CommissionRate;
use Elmstone\Core\Shares\PersonShare;
use Elmstone\Core\Shares\Sharing;
use Illuminate\Support\Facades\DB;

/**
 * The only place that writes who sold what of a document, and the commission on it: in the posting that writes the
 * document, for good. docs/rules.md, "Shares".
 */
final class ShareLedger
{
    private const ROWS_AT_ONCE = 500;

    public function __construct(private readonly Sharings $sharings)
    {
    }

    /**
     * Of what is sold by a document.
     *
     * @param  int|null  $sharing of all of it, where a line has none of its own; null: whose sale the document is
     */
    public function sold(int $document, DocumentDraft $draft, ?int $sharing): void
    {
        $this->soldAll([[$document, $draft, $sharing]]);
    }

    /**
     * Of what is sold by documents of one day.
     *
     * @param  non-empty-list<array{int, DocumentDraft, int|null}>  $documents
     */
    public function soldAll(array $documents): void
    {
        $rates = Rates::on($documents[0][1]->at->day);
        $rows = [];

        foreach ($documents as [$document, $draft, $sharing]) {
            foreach ($draft->lines as $place => $line) {
                $line->departmentId === null
                    || array_push($rows, ...self::rows(
                        $document,
                        $place + 1,
                        $draft,
                        $this->sharesOf($line, $line->departmentId, $line->sharing ?? $sharing, $draft, $rates),
                        false,
                    ));
            }
        }

        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $some) {
            DB::table('document_shares')->insert($some);
        }
    }

    /** @return non-empty-list<PersonShare> */
    private function sharesOf(
        DraftLine $line,
        int $department,
        ?int $sharing,
        DocumentDraft $draft,
        Rates $rates,
    ): array {
        $of = $sharing === null
            ? Sharing::equally([(string) $draft->at->sellerId])
            : $this->sharings->find($sharing);

        return $of->line($line->reckoned->net, $line->cost, self::ratesOf($of, $department, $rates));
    }

    /** Of what comes back by a document, from who sold it. What was sold on no document of ours is nobody's. */
    public function back(int $document, DocumentDraft $draft, Origins $origins): void
    {
        $from = [];

        foreach ($draft->lines as $line) {
            $line->origin === null || ($from[$line->origin->documentId] = $line->origin->documentId);
        }

        $sold = ShareRows::of(array_values($from), $draft->cashRounding->currency);
        $left = [];
        $rows = [];

        foreach ($draft->lines as $place => $line) {
            $shares = $line->origin === null ? [] : $sold[$line->origin->key()] ?? [];

            if ($line->origin === null || $shares === []) {
                continue;
            }

            $back = $left[$line->origin->key()] ?? SharesBefore::of($line->origin, $origins, $shares);
            $quantity = $line->goodsTo === GoodsTo::None
                ? BigDecimal::zero()
                : $line->reckoned->line->quantity->value;
            $taken = $back->taking($quantity, $line->reckoned->net);
            $left[$line->origin->key()] = $back->after($quantity, $line->reckoned->net);
            array_push($rows, ...self::rows($document, $place + 1, $draft, $taken, true));
        }

        $rows === [] || DB::table('document_shares')->insert($rows);
    }

    /** @return array<string, CommissionRate> by person */
    private static function ratesOf(Sharing $sharing, int $department, Rates $rates): array
    {
        $of = [];

        foreach ($sharing->parts as $part) {
            $of[$part->person] = $rates->of((int) $part->person, $department);
        }

        return $of;
    }

    /**
     * @param  list<PersonShare>  $shares
     * @return list<array<string, mixed>>
     */
    private static function rows(int $document, int $position, DocumentDraft $draft, array $shares, bool $back): array
    {
        return array_map(
            static fn (PersonShare $share, int $place): array => [
                'document_id' => $document,
                'position' => $position,
                'place' => $place + 1,
                'staff_id' => (int) $share->part->person,
                'percent' => $share->part->percent->toString(),
                'business_date' => $draft->at->day->format('Y-m-d'),
                'net' => $back ? $share->net->negated() : $share->net,
                'rate' => $share->rate->rate->toString(),
                'rate_of' => $share->rate->of->value,
                'commission' => $back ? $share->commission->negated() : $share->commission,
                'earned_at' => $share->rate->earned->value,
            ],
            $shares,
            array_keys($shares),
        );
    }
}
