<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Carbon\CarbonImmutable;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Naming;
use Elmstone\Support\Casts\MoneyCast;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Show;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Payments that may be in the books already: entered by hand, or taken in from another file of the same days. */
final class Twins
{
    /** How many days apart an office's entry and the bank's may stand. Common practice, no source. */
    private const DAYS = 10;

    /**
     * @param  Collection<int, BankEntry>  $entries
     * @return array<int, list<string>> what may be the same payment, by entry
     */
    public static function of(Collection $entries): array
    {
        $open = $entries->filter(
            static fn (BankEntry $entry): bool => $entry->isPayment() && $entry->booked_on !== null,
        );
        $twins = [];

        foreach ($open->isEmpty() ? [] : self::byHand($open) as [$entry, $words]) {
            $twins[$entry][] = $words;
        }

        foreach ($open->isEmpty() ? [] : self::otherFiles($open) as [$entry, $words]) {
            $twins[$entry][] = $words;
        }

        return $twins;
    }

    /**
     * @param  Collection<int, BankEntry>  $open
     * @return iterable<array{int, string}>
     */
    private static function byHand(Collection $open): iterable
    {
        $paid = DB::table('documents as d')
            ->join('document_tenders as t', 't.document_id', '=', 'd.id')
            ->where('d.purpose', Purpose::Payment->value)
            ->whereIn('t.kind', [TenderKind::BankTransfer->value, TenderKind::Cheque->value])
            ->whereIn('d.customer_id', $open->pluck('customer_id')->filter()->unique()->all())
            ->whereBetween('d.business_date', [
                self::shifted($open->min('booked_on'), -self::DAYS),
                self::shifted($open->max('booked_on'), self::DAYS),
            ])
            ->whereNotIn('d.id', DB::table('bank_entries')->whereNotNull('document_id')->select('document_id'))
            ->get(['d.customer_id', 'd.label', 'd.business_date', 't.amount'])
            ->groupBy(
                static fn (stdClass $row): string => self::told($row->customer_id, MoneyCast::read($row->amount)),
            );

        foreach ($open as $entry) {
            foreach ($paid->get(self::told($entry->customer_id, $entry->amount)) ?? [] as $document) {
                if (
                    abs(
                        CarbonImmutable::parse((string) $document->business_date)->diffInDays($entry->booked_on, false),
                    ) <= self::DAYS
                ) {
                    yield [
                        $entry->id,
                        "{$document->label} of "
                        .Show::date(CarbonImmutable::parse((string) $document->business_date))
                        .' has the same amount: it may be entered by hand already',
                    ];
                }
            }
        }
    }

    /**
     * @param  Collection<int, BankEntry>  $open
     * @return iterable<array{int, string}>
     */
    private static function otherFiles(Collection $open): iterable
    {
        $others = DB::table('bank_entries as e')
            ->join('bank_files as f', 'f.id', '=', 'e.bank_file_id')
            ->where('e.bank_file_id', '<>', $open->first()?->bank_file_id)
            ->where('e.kind', BankEntryKind::In->value)
            ->where('e.state', '<>', 'aside')
            ->whereIn(
                'e.booked_on',
                $open
                    ->map(static fn (BankEntry $entry): string => (string) $entry->booked_on?->format('Y-m-d'))
                    ->unique()
                    ->all(),
            )
            ->whereIn('e.amount', $open->pluck('amount')->unique()->all())
            ->limit(2000)
            ->get(['e.booked_on', 'e.amount', 'e.payer', 'e.reference', 'f.name'])
            ->groupBy(static fn (stdClass $row): string => self::told($row->booked_on, MoneyCast::read($row->amount)));

        foreach ($open as $entry) {
            foreach ($others->get(self::told($entry->booked_on?->format('Y-m-d'), $entry->amount)) ?? [] as $other) {
                if (self::alike($entry, $other)) {
                    yield [$entry->id, "the file “{$other->name}” has the same payment"];
                }
            }
        }
    }

    /** What a payment is looked for by. */
    private static function told(mixed $by, Money $amount): string
    {
        return (is_scalar($by) ? (string) $by : '')." {$amount->toString()}";
    }

    /** The same payer or the same words, however a bank's two formats write them. */
    private static function alike(BankEntry $entry, stdClass $other): bool
    {
        $payer = Naming::key($entry->payer);
        $words = Naming::key($entry->reference);
        $isPayer = $payer !== ''
            && ($payer === Naming::key((string) $other->payer)
                || str_contains(Naming::key((string) $other->reference), $payer));

        return $isPayer || ($words !== '' && $words === Naming::key((string) $other->reference));
    }

    private static function shifted(mixed $day, int $days): string
    {
        return $day instanceof CarbonImmutable
            ? $day->addDays($days)->format('Y-m-d')
            : ShopTime::today()->format('Y-m-d');
    }
}
