<?php

declare(strict_types=1);

namespace Elmstone\Books;

/** What an account is: where it stands in a trial balance, and whether a year ends on it. */
enum AccountKind: string
{
    case Asset = 'asset';
    case Liability = 'liability';
    case Equity = 'equity';
    case Income = 'income';
    case Expense = 'expense';

    /** Whether it begins each year at nothing: what it comes to is the year's profit. */
    public function isOfProfit(): bool
    {
        return $this === self::Income || $this === self::Expense;
    }

    public function words(): string
    {
        return match ($this) {
            self::Asset => 'What the house has',
            self::Liability => 'What it owes',
            self::Equity => 'What is its own',
            self::Income => 'Income',
            self::Expense => 'Cost and expense',
        };
    }
}
