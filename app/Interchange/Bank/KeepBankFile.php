<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Elmstone\Core\Money\Refused;
use Elmstone\Interchange\Bank\Read\BankEntryRead;
use Elmstone\Interchange\Bank\Read\BankFileRead;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Support\Casts\MoneyByNameCast;
use Illuminate\Support\Facades\DB;

/** Keeps what a bank's file says, each payment weighed. An entry that was in another file is left out. */
final class KeepBankFile
{
    private const ROWS_AT_ONCE = 500;

    public function __construct(private readonly House $house)
    {
    }

    /** @throws Refused nothing_new, amount_too_large */
    public function handle(BankFile $file, BankFileRead $read, Till $till): BankFile
    {
        foreach ($read->entries as $entry) {
            $this->house->fitting($entry->amount);
        }

        return DB::transaction(function () use ($file, $read, $till): BankFile {
            $fresh = $this->fresh($read);

            if ($fresh === []) {
                throw Refused::because(
                    'nothing_new',
                    $read->entries === []
                        ? 'There is no entry in this file.'
                        : 'Every entry of this file was taken in before, in another file.',
                );
            }

            $open = array_filter($fresh, static fn (array $one): bool => $one[1]->kind->needsSomebody());
            $file
                ->forceFill([
                    'format' => $read->format,
                    'account' => $read->account,
                    'statement' => $read->statement,
                    'content' => null,
                    'state' => $open === [] ? 'done' : 'open',
                ])
                ->save();
            $this->write($file, $fresh, $till);

            return $file;
        });
    }

    /** @param  array<string, array{int, BankEntryRead}>  $fresh by fingerprint */
    private function write(BankFile $file, array $fresh, Till $till): void
    {
        $weigh = new WeighEntries(
            $this->house,
            array_values(array_map(static fn (array $one): BankEntryRead => $one[1], $fresh)),
        );
        $rows = [];

        foreach ($fresh as $fingerprint => [$position, $entry]) {
            $weighed = $weigh->weigh($entry, BankDay::of($entry->bookedOn, $till->location));
            $rows[] = [
                'bank_file_id' => $file->id,
                'position' => $position,
                'fingerprint' => (string) $fingerprint,
                'kind' => $entry->kind->value,
                'booked_on' => $entry->bookedOn?->format('Y-m-d'),
                'amount' => $entry->amount,
                'payer' => $entry->payer,
                'payer_account' => $entry->payerAccount,
                'reference' => $entry->reference,
                'bank_reference' => $entry->bankReference,
                'end_to_end' => $entry->endToEnd,
                'customer_id' => $weighed->customer,
                'shares' => $weighed->shares === null ? null : MoneyByNameCast::write($weighed->shares),
                'discount' => $weighed->discount ?? 0,
                'evidence' => json_encode(
                    ['for' => $weighed->for, 'against' => $weighed->against],
                    JSON_THROW_ON_ERROR,
                ),
                'sure' => $weighed->isSure(),
                'trouble' => $entry->trouble,
                'state' => $entry->kind->needsSomebody() ? 'open' : 'noted',
            ];
        }

        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table('bank_entries')->insert($chunk);
        }
    }

    /**
     * The entries that were in no file before. An entry is known again by the bank's own reference; where the bank
     * gives none, by day, amount, payer, text, and how many just like it stand before it in its file. One that was not
     * booked is another one when it is.
     *
     * @return array<string, array{int, BankEntryRead}> by fingerprint
     */
    private function fresh(BankFileRead $read): array
    {
        $entries = [];
        $alike = [];

        foreach ($read->entries as $position => $entry) {
            $told = implode('|', [
                $entry->account,
                $entry->bookedOn?->format('Y-m-d') ?? 'no day',
                $entry->amount->toString(),
                $entry->bankReference !== '' ? "ref {$entry->bankReference}" : "{$entry->payer}|{$entry->reference}",
                ...$entry->kind === BankEntryKind::In ? [] : [$entry->kind->value],
            ]);
            $alike[$told] = ($alike[$told] ?? 0) + 1;
            $entries[hash('sha256', "{$told}|{$alike[$told]}")] = [$position + 1, $entry];
        }

        foreach (array_chunk(array_keys($entries), self::ROWS_AT_ONCE) as $chunk) {
            foreach (
                BankEntry::query()->whereIn('fingerprint', array_map(strval(...), $chunk))
                    ->pluck('fingerprint') as $known
            ) {
                unset($entries[$known]);
            }
        }

        return $entries;
    }
}
