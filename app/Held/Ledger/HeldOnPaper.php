<?php

declare(strict_types=1);

namespace Elmstone\Held\Ledger;

use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Core\Money\Money;
use Elmstone\Paper\Annotates;
use Elmstone\Paper\PaperNote;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\Show;

/** What was held for a customer before a document, deposits and store credit, and what stays held after it. */
final class HeldOnPaper implements Annotates
{
    public function place(): int
    {
        return 2;
    }

    public function notes(Document $document, bool $copy): array
    {
        $notes = [];

        foreach (HeldKind::cases() as $kind) {
            $moved = $document->held($kind);
            $account = $moved->isZero() || $document->customer_id === null || ! $kind->isOnePerCustomer()
                ? null
                : HeldAccount::of($kind, $document->customer_id);
            $account === null || ($notes[] = self::note($account, $document, $moved));
        }

        return $notes;
    }

    private static function note(HeldAccount $account, Document $document, Money $moved): PaperNote
    {
        $own = $account->entries()->where('document_id', $document->id)->get();
        $before = MoneyCast::read(
            $account
                ->entries()
                ->where('id', '<', (int) $own->min('id'))
                ->sum('amount'),
        );
        $is = $account->kind === HeldKind::Deposit;
        $isIn = $moved->isPositive();
        $order = $own->first(static fn (HeldEntry $entry): bool => $entry->kept_for !== '')->kept_for ?? '';
        [$then, $change, $now] = $is
            ? ['Held before', $isIn ? 'Put with it' : 'Taken from it', 'Held now']
            : ['Before', $isIn ? 'Given' : 'Used', 'Now'];

        return new PaperNote(
            $is ? 'Deposits held' : 'Store credit',
            [
                [$then, Show::money($before)],
                [$change, Show::money($moved->abs())],
                [$now, Show::money($before->plus($moved))],
            ],
            match (true) {
                ! $is => 'To be spent here on anything; it does not run out.',
                $order !== '' => "Kept for: {$order}",
                default => '',
            },
        );
    }
}
