<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Letters;

use Elmstone\Core\Money\Money;

/** One level of reminder letters: when it goes, what it costs the customer, what it says. */
final readonly class LetterLevel
{
    public function __construct(public int $number, public int $after, public Money $fee, public string $words)
    {
    }

    public function title(): string
    {
        return match ($this->number) {
            1 => 'Reminder',
            2 => 'Second reminder',
            3 => 'Third reminder',
            default => "Reminder {$this->number}",
        };
    }
}
