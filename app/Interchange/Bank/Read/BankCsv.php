<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank\Read;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Interchange\Bank\BankEntryKind;
use Elmstone\Interchange\CsvRows;

/** A bank's table of entries. A row that cannot be read is one to look at; the others come in. */
final readonly class BankCsv
{
    public const MOST = CsvRows::MOST;

    /** Words by which a bank says that it took a payment back. Common practice, no source. */
    private const TAKEN_BACK = '/\b(return(ed)?|revers(al|ed)|unpaid|charge '
        .'?back|recall(ed)?|bounced|dishonou?red)\b/i';

    public function __construct(private CsvRows $table, private BankColumns $columns, private Currency $currency)
    {
    }

    /** @throws Refused missing, unreadable, too_many_rows */
    public function read(): BankFileRead
    {
        if (! $this->columns->isWhole()) {
            throw Refused::because('missing', 'Say which column is the day, and which the amount.');
        }

        $entries = [];

        foreach ($this->table->rows() as $line => $row) {
            // A second statement pasted under the first brings its head along.
            if (array_map(mb_strtolower(...), array_values($row)) !== $this->table->head && implode('', $row) !== '') {
                $entry = $this->entry($row, $line);
                $entry === null || ($entries[] = $entry);
            }
        }

        return BankFileRead::of('CSV', '', '', $entries);
    }

    /** @param  array<string, string>  $row */
    private function entry(array $row, int $line): ?BankEntryRead
    {
        try {
            return $this->readable($row);
        } catch (Refused $refused) {
            return BankEntryRead::unread(
                Money::zero($this->currency),
                implode(' · ', array_filter($row, static fn (string $cell): bool => $cell !== '')),
                "Line {$line}: {$refused->getMessage()}",
            );
        }
    }

    /**
     * @param  array<string, string>  $row
     *
     * @throws Refused bad_date, bad_number, bad_amount, other_currency
     */
    private function readable(array $row): ?BankEntryRead
    {
        $of = fn (string $says): string => $row[$this->columns->names[$says] ?? ''] ?? '';
        [$amount, $isOut, $currency] = $this->amount($of);
        $currency = strtoupper($of('currency')) ?: $currency;

        if ($amount->isZero()) {
            return null;
        }

        if ($currency !== '' && $currency !== $this->currency->code) {
            throw Refused::because(
                'other_currency',
                "It is in {$currency}; the shop keeps its books in {$this->currency->code}.",
            );
        }

        $day = $this->columns->dates->read($of('date'))
            ?? throw Refused::because(
                'bad_date',
                "“{$of('date')}” is not a date like ".explode(', ', $this->columns->dates->words())[1].'.',
            );
        $kind = match (true) {
            ! $isOut => BankEntryKind::In,
            preg_match(self::TAKEN_BACK, $of('reference')) === 1 => BankEntryKind::Returned,
            default => BankEntryKind::Other,
        };

        return new BankEntryRead(
            $day,
            $amount,
            mb_substr($of('payer'), 0, 160),
            mb_substr($of('reference'), 0, 500),
            mb_substr($of('id'), 0, 80),
            $kind,
        );
    }

    /**
     * @param  callable(string): string  $of
     * @return array{Money, bool, string} amount, whether it went out, its currency where it names one
     */
    private function amount(callable $of): array
    {
        $column = array_values(
            array_filter(
                ['amount', 'in', 'out'],
                static fn (string $says): bool => preg_match('/[1-9]/', $of($says)) === 1,
            ),
        )[0] ?? (isset($this->columns->names['amount']) ? 'amount' : 'in');
        $cell = $of($column);

        // A row without any money, a heading or a balance, is an amount of nothing.
        if ($cell === '' && $of('date') === '') {
            return [Money::zero($this->currency), false, ''];
        }

        $amount = BankAmount::of($cell === '' ? '0' : $cell);

        return [
            $amount->money($this->columns->mark, $this->currency, $cell),
            $amount->isOut || $column === 'out',
            $amount->currency,
        ];
    }
}
