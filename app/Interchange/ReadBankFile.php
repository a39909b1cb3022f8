<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Elmstone\Core\Money\Refused;
use Elmstone\Shop\House;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;

/** Takes a bank's file in: read, each payment matched, nothing posted yet. The same file is never taken in twice, nor the same entry in another file. */
final class ReadBankFile
{
    private const ROWS_AT_ONCE = 500;

    public function __construct(private readonly House $house)
    {
    }

    /** @throws Refused same_file, nothing_new, amount_too_large, and whatever the reader refuses */
    public function handle(string $bytes, string $name, Staff $by): BankFile
    {
        $digest = hash('sha256', $bytes);
        $before = BankFile::query()->where('digest', $digest)->first();

        if ($before !== null) {
            throw Refused::because('same_file', "This very file was taken in on {$before->created_at->format('j M Y')} as “{$before->name}”.");
        }

        $read = preg_match('/^\s*(\xEF\xBB\xBF)?\s*</', $bytes) === 1 ? (new Camt053($bytes, $this->house->currency()))->read() : (new BankCsv($bytes, $this->house->currency()))->read();

        foreach ($read->entries as $entry) {
            $this->house->fitting($entry->amount);
        }

        return DB::transaction(fn (): BankFile => $this->keep($read, $digest, $name, $by));
    }

    private function keep(BankFileRead $read, string $digest, string $name, Staff $by): BankFile
    {
        $fresh = $this->fresh($read);

        if ($fresh === []) {
            throw Refused::because('nothing_new', $read->entries === [] ? 'No money came in by this file.' : 'Every payment in this file was taken in before, in another file.');
        }

        $file = BankFile::query()->create(['digest' => $digest, 'name' => mb_substr($name, 0, 160), 'format' => $read->format, 'account' => $read->account, 'statement' => $read->statement, 'staff_id' => $by->id, 'state' => 'open']);
        $match = new MatchEntries($this->house);
        $rows = [];

        foreach ($fresh as $fingerprint => [$position, $entry]) {
            $matched = $match->match($entry);
            $rows[] = [
                'bank_file_id' => $file->id, 'position' => $position, 'fingerprint' => (string) $fingerprint, 'booked_on' => $entry->bookedOn->format('Y-m-d'), 'amount' => $entry->amount->minor,
                'payer' => $entry->payer, 'reference' => $entry->reference, 'customer_id' => $matched['customer_id'],
                'shares' => $matched['shares'] === null ? null : json_encode($matched['shares'], JSON_THROW_ON_ERROR), 'why' => mb_substr($matched['why'], 0, 255),
            ];
        }

        foreach (array_chunk($rows, self::ROWS_AT_ONCE) as $chunk) {
            DB::table('bank_entries')->insert($chunk);
        }

        return $file;
    }

    /**
     * The entries that were in no file before. An entry is known again by the bank's own reference; where the bank gives none, by day, amount, payer, text,
     * and how many just like it stand before it in its file.
     *
     * @return array<string, array{int, BankEntryRead}> by fingerprint
     */
    private function fresh(BankFileRead $read): array
    {
        $entries = [];
        $alike = [];

        foreach ($read->entries as $position => $entry) {
            $told = implode('|', [$read->account, $entry->bookedOn->format('Y-m-d'), $entry->amount->minor, $entry->bankReference !== '' ? "ref {$entry->bankReference}" : "{$entry->payer}|{$entry->reference}"]);
            $alike[$told] = ($alike[$told] ?? 0) + 1;
            $entries[hash('sha256', "{$told}|{$alike[$told]}")] = [$position + 1, $entry];
        }

        foreach (array_chunk(array_keys($entries), self::ROWS_AT_ONCE) as $chunk) {
            foreach (BankEntry::query()->whereIn('fingerprint', array_map(strval(...), $chunk))->pluck('fingerprint') as $known) {
                unset($entries[$known]);
            }
        }

        return $entries;
    }
}
