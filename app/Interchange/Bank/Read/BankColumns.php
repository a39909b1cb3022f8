<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank\Read;

/** Which column of a bank's table says what, and how it writes dates and amounts. */
final readonly class BankColumns
{
    /** What a column can say, with the names banks use for it. */
    public const NAMES = [
        'date' => [
            'date', 'booked', 'booking date', 'booked on', 'transaction date', 'posting date', 'posted date',
            'value date',
        ],
        'amount' => ['amount', 'value', 'transaction amount', 'sum'],
        'in' => ['credit', 'credit amount', 'paid in', 'money in', 'credits', 'deposit', 'deposits'],
        'out' => ['debit', 'debit amount', 'paid out', 'money out', 'debits', 'withdrawal', 'withdrawals'],
        'payer' => ['payer', 'name', 'from', 'counterparty', 'payer name', 'debtor', 'other party'],
        'reference' => ['reference', 'description', 'details', 'remittance', 'text', 'purpose', 'memo', 'narrative'],
        'id' => ['id', 'transaction id', 'bank reference', 'entry'],
        'currency' => ['currency', 'ccy'],
    ];

    public const WORDS = [
        'date' => 'Day booked',
        'amount' => 'Amount, in and out',
        'in' => 'Money in',
        'out' => 'Money out',
        'payer' => 'Payer',
        'reference' => 'What it says',
        'id' => 'The bank’s own number',
        'currency' => 'Currency',
    ];

    /**
     * @param  array<string, string>  $names what it says: the table's name for it
     * @param  string  $mark of decimals, a point or a comma
     */
    public function __construct(public array $names, public DateOrder $dates, public string $mark)
    {
    }

    /** @param  array<mixed>  $kept */
    public static function from(array $kept): self
    {
        $names = array_filter(is_array($kept['names'] ?? null) ? $kept['names'] : [], is_string(...));

        return new self(
            array_intersect_key($names, self::NAMES),
            DateOrder::tryFrom(is_string($kept['dates'] ?? null) ? $kept['dates'] : '') ?? DateOrder::YearFirst,
            ($kept['mark'] ?? '') === ',' ? ',' : '.',
        );
    }

    /** @return array{names: array<string, string>, dates: string, mark: string} */
    public function toArray(): array
    {
        return ['names' => $this->names, 'dates' => $this->dates->value, 'mark' => $this->mark];
    }

    public function isWhole(): bool
    {
        return isset($this->names['date']) && (isset($this->names['amount']) || isset($this->names['in']));
    }

    /** What tells one bank's table from another's. */
    public static function digest(string ...$head): string
    {
        return hash('sha256', implode("\n", $head));
    }
}
