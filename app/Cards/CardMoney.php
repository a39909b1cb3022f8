<?php

declare(strict_types=1);

namespace Elmstone\Cards;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Support\Casts\MoneyCast;
use Illuminate\Support\Facades\DB;

/**
 * What is being paid back to cards, or was and stands in no document yet: so much is spoken for, on whatever slip or
 * page.
 */
final class CardMoney
{
    /** Kinds of document by which a card brings money. */
    private const BRING = ['invoice', 'receipt'];

    /**
     * @param  array<string>  $authorisations
     * @param  CardSubject|null  $except whose own questions do not count
     * @return array<string, Money> by authorisation
     */
    public static function reserved(array $authorisations, ?CardSubject $except = null): array
    {
        if ($authorisations === []) {
            return [];
        }

        $reserved = [];
        $rows = DB::table('card_requests')
            ->whereIn('against', $authorisations)
            ->whereNull('document_id')
            ->whereIn('state', CardState::live())
            ->when(
                $except !== null,
                static fn ($query) => $query->whereNot(
                    static fn ($own) => $own->where('subject', $except?->kind)->where('subject_id', $except?->id),
                ),
            )
            ->get(['against', 'state', 'asked', 'approved']);

        foreach ($rows as $row) {
            $reserved[(string) $row->against] = ($reserved[(string) $row->against] ?? 0)
                + (int) ($row->state === CardState::Asked->value ? $row->asked : $row->approved);
        }

        return array_map(MoneyCast::read(...), $reserved);
    }

    /**
     * What of a card payment has not gone back and is not being paid back. Its document stays locked until the
     * transaction ends.
     */
    public static function lockLeft(string $authorisation): Money
    {
        $brought = DB::table('document_tenders as t')
            ->join('documents as d', 'd.id', '=', 't.document_id')
            ->where('t.kind', TenderKind::Card->value)
            ->where('t.authorisation', $authorisation);
        DB::table('documents')
            ->whereIn('id', (clone $brought)->whereIn('d.kind', self::BRING)->orderBy('d.id')->pluck('d.id')->all())
            ->orderBy('id')
            ->lockForUpdate()
            ->get(['id']);
        $left = 0;

        foreach ($brought->get(['d.kind', 't.amount']) as $row) {
            $left += in_array($row->kind, self::BRING, true) ? (int) $row->amount : -(int) $row->amount;
        }

        return MoneyCast::read($left)->minus(self::reserved([$authorisation])[$authorisation] ?? MoneyCast::read(0));
    }

    /**
     * They stand in a document now. In the transaction that posts it.
     *
     * @param  iterable<CardRequest>  $requests
     */
    public static function posted(iterable $requests, int $document): void
    {
        foreach ($requests as $request) {
            if ($request->state->pays()) {
                $request->update(['document_id' => $document]);
            }
        }
    }
}
