<?php

declare(strict_types=1);

namespace Elmstone\Interchange;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;

/** A bank's list of payments as a table, its columns known by their names. */
final readonly class BankCsv
{
    private const NAMES = [
        'date' => ['date', 'booked', 'booking date', 'booked on', 'value date', 'transaction date', 'posting date'],
        'amount' => ['amount', 'credit', 'credit amount', 'paid in', 'money in'],
        'payer' => ['payer', 'name', 'from', 'counterparty', 'payer name', 'debtor'],
        'reference' => ['reference', 'description', 'details', 'remittance', 'text', 'purpose', 'memo'],
        'id' => ['id', 'transaction id', 'bank reference', 'entry'],
        'currency' => ['currency', 'ccy'],
    ];

    public function __construct(private string $csv, private Currency $currency)
    {
    }

    /** @throws Refused not_a_table, missing, bad_row, other_currency */
    public function read(): BankFileRead
    {
        $table = new CsvRows($this->csv);
        $columns = $this->columns($table->head);
        $entries = [];
        $left = 0;

        foreach ($table->rows() as $line => $row) {
            $entry = $this->entry($row, $columns, $line);
            $entry === null ? $left++ : $entries[] = $entry;
        }

        return new BankFileRead('CSV', '', '', $entries, $left);
    }

    /**
     * @param  list<string>  $head
     * @return array<string, string> our name: the table's
     */
    private function columns(array $head): array
    {
        $columns = [];

        foreach (self::NAMES as $ours => $names) {
            $found = array_values(array_intersect($names, $head))[0] ?? null;

            if ($found !== null) {
                $columns[$ours] = $found;
            }
        }

        foreach (['date', 'amount'] as $needed) {
            if (! isset($columns[$needed])) {
                throw Refused::because('missing', "No column is called “{$needed}”. The first row must name the columns: date, amount, payer, reference.");
            }
        }

        return $columns;
    }

    /**
     * @param  array<string, string>  $row
     * @param  array<string, string>  $columns
     */
    private function entry(array $row, array $columns, int $line): ?BankEntryRead
    {
        $of = static fn (string $name): string => isset($columns[$name]) ? $row[$columns[$name]] : '';

        if ($of('currency') !== '' && strtoupper($of('currency')) !== $this->currency->code) {
            throw Refused::because('other_currency', "Line {$line} is in {$of('currency')}; the shop keeps its books in {$this->currency->code}.");
        }

        // Money that went out, or a line without any, is not for here.
        if ($of('amount') === '' || preg_match('/^[-−–(]/u', $of('amount')) === 1) {
            return null;
        }

        try {
            $amount = Money::of(TypedNumber::plain(ltrim($of('amount'), '+')), $this->currency);
        } catch (Refused $refused) {
            throw Refused::because('bad_row', "Line {$line}: {$refused->getMessage()}");
        }

        $day = CarbonImmutable::canBeCreatedFromFormat($of('date'), 'Y-m-d') ? CarbonImmutable::createFromFormat('!Y-m-d', $of('date')) : null;

        return $day === null
            ? throw Refused::because('bad_row', "Line {$line}: “{$of('date')}” is not a date; write it as 2027-01-31.")
            : ($amount->isZero() ? null : new BankEntryRead($day, $amount, mb_substr($of('payer'), 0, 160), mb_substr($of('reference'), 0, 500), $of('id')));
    }
}
