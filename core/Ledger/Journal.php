<?php

declare(strict_types=1);

namespace Elmstone\Core\Ledger;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use LogicException;

/**
 * What one document does to the accounts. It balances: there is no way to get one that does not.
 */
final readonly class Journal
{
    /** @param  list<JournalLine>  $lines */
    private function __construct(public array $lines, public Money $debits, public Money $credits)
    {
    }

    /**
     * Sums what falls on each account. Debits are above zero, credits below; debits stand first, and an account that
     * comes to nothing is left out.
     *
     * @param  list<array{string, Money}>  $postings account, signed amount
     *
     * @throws LogicException when they do not sum to zero
     */
    public static function of(Currency $currency, array $postings): self
    {
        $byAccount = [];
        $zero = Money::zero($currency);

        foreach ($postings as [$account, $amount]) {
            $byAccount[$account] = ($byAccount[$account] ?? $zero)->plus($amount);
        }

        $lines = [];
        uasort($byAccount, static fn (Money $one, Money $other): int => $other->isPositive() <=> $one->isPositive());

        foreach ($byAccount as $account => $amount) {
            if (! $amount->isZero()) {
                $lines[] = new JournalLine(
                    (string) $account,
                    $amount->isPositive() ? $amount : $zero,
                    $amount->isNegative() ? $amount->negated() : $zero,
                );
            }
        }

        $debits = Money::sum(array_map(static fn (JournalLine $line): Money => $line->debit, $lines), $currency);
        $credits = Money::sum(array_map(static fn (JournalLine $line): Money => $line->credit, $lines), $currency);

        return $debits->equals($credits)
            ? new self($lines, $debits, $credits)
            : throw new LogicException(
                "A journal must balance: {$debits->toString()} is debited and {$credits->toString()} credited.",
            );
    }
}
