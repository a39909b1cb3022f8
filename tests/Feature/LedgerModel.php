<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use DateTimeImmutable;
use DateTimeInterface;

/**
 * What an account should look like, kept in the plainest way there is: a list of documents, and a list of who was set
 * against whom on which day.
 */
final class LedgerModel
{
    /** @var array<string, array{date: string, due: string, amount: int, sign: int, finance: bool}> by number */
    private array $documents = [];

    /** @var list<array{credit: string, charge: string, amount: int, date: string}> */
    private array $sets = [];

    /** @var array<string, true> receipts that came back */
    private array $returned = [];

    public function charge(string $label, string $date, string $due, int $amount, bool $finance = false): void
    {
        $this->documents[$label] = [
            'date' => $date,
            'due' => $due,
            'amount' => $amount,
            'sign' => 1,
            'finance' => $finance,
        ];
    }

    public function credit(string $label, string $date, int $amount): void
    {
        $this->documents[$label] = [
            'date' => $date,
            'due' => $date,
            'amount' => $amount,
            'sign' => -1,
            'finance' => false,
        ];
    }

    public function set(string $credit, string $charge, int $amount, string $date): void
    {
        $this->sets[] = ['credit' => $credit, 'charge' => $charge, 'amount' => $amount, 'date' => $date];
    }

    /** @param  array<string, int>  $wanted what is to lie on which charge now; what lies there already stays */
    public function move(string $credit, array $wanted, string $date): void
    {
        foreach ($this->lying($credit) as $charge => $amount) {
            if (($wanted[$charge] ?? 0) !== $amount) {
                $this->set($credit, $charge, -$amount, $date);
            } else {
                unset($wanted[$charge]);
            }
        }

        foreach ($wanted as $charge => $amount) {
            $this->set($credit, $charge, $amount, $date);
        }
    }

    public function bounce(string $receipt, string $by, int $fee, string $date): void
    {
        foreach ($this->lying($receipt) as $charge => $amount) {
            $this->set($receipt, $charge, -$amount, $date);
        }

        $this->charge($by, $date, $date, $this->documents[$receipt]['amount'] + $fee);
        $this->set($receipt, $by, $this->documents[$receipt]['amount'], $date);
        $this->returned[$receipt] = true;
    }

    public function isReturned(string $receipt): bool
    {
        return isset($this->returned[$receipt]);
    }

    /** @return array<string, int> what of every document is open now */
    public function opens(): array
    {
        $opens = array_map(
            fn (string $label): int => $this->open($label, '9999-12-31'),
            array_combine(array_keys($this->documents), array_keys($this->documents)),
        );
        ksort($opens);

        return $opens;
    }

    /** @return array<string, int> charges as they would be open if this credit were taken off them */
    public function openFor(string $credit): array
    {
        $lying = $this->lying($credit);
        $opens = [];

        foreach ($this->documents as $label => $document) {
            $open = $document['sign'] === 1 ? $this->open($label, '9999-12-31') + ($lying[$label] ?? 0) : 0;

            if ($open > 0) {
                $opens[$label] = $open;
            }
        }

        return $opens;
    }

    /**
     * @return list<int> what unused credit leaves open of items more than so many days late that are no finance charges
     */
    public function lateness(DateTimeInterface $day, int $grace): array
    {
        [$unused, $order, $late] = [0, [], []];

        foreach ($this->documents as $label => $document) {
            $open = $this->open($label, $day->format('Y-m-d'));
            $unused += $document['sign'] === 1 ? 0 : $open;
            $document['sign'] === 1 && ($order[$label] = [$document['due'], $document['date'], $label]);
        }

        asort($order);

        foreach (array_keys($order) as $label) {
            $open = $this->open($label, $day->format('Y-m-d'));
            $left = max(0, $open - $unused);
            $unused -= $open - $left;

            if (
                $left > 0
                && ! $this->documents[$label]['finance']
                && $this->daysLate($this->documents[$label]['due'], $day) > $grace
            ) {
                $late[] = $left;
            }
        }

        return $late;
    }

    public function balance(DateTimeInterface $day): int
    {
        return array_sum(
            array_map(
                static fn (array $document): int => $document['date'] <= $day->format('Y-m-d')
                    ? $document['sign'] * $document['amount']
                    : 0,
                $this->documents,
            ),
        );
    }

    /** @return array<string, int> */
    public function ageing(DateTimeInterface $day): array
    {
        $columns = ['not_due' => 0, '1-30' => 0, '31-60' => 0, '61-90' => 0, 'over_90' => 0, 'unused_credit' => 0];

        foreach ($this->documents as $label => $document) {
            $late = $this->daysLate($document['due'], $day);
            $column = match (true) {
                $document['sign'] === -1 => 'unused_credit',
                $late <= 0 => 'not_due',
                $late <= 30 => '1-30',
                $late <= 60 => '31-60',
                $late <= 90 => '61-90',
                default => 'over_90',
            };
            $columns[$column] += $document['sign'] * $this->open($label, $day->format('Y-m-d'));
        }

        return $columns;
    }

    private function open(string $label, string $day): int
    {
        $document = $this->documents[$label];

        if ($document['date'] > $day) {
            return 0;
        }

        $settled = 0;

        foreach ($this->sets as $set) {
            $settled
                += $set['date'] <= $day
                    && in_array($label, [$set['credit'], $set['charge']], true) ? $set['amount'] : 0;
        }

        return $document['amount'] - $settled;
    }

    /** @return array<string, int> by charge */
    private function lying(string $credit): array
    {
        $lying = [];

        foreach ($this->sets as $set) {
            if ($set['credit'] === $credit) {
                $lying[$set['charge']] = ($lying[$set['charge']] ?? 0) + $set['amount'];
            }
        }

        return array_filter($lying, static fn (int $amount): bool => $amount !== 0);
    }

    private function daysLate(string $due, DateTimeInterface $day): int
    {
        $from = new DateTimeImmutable($due);
        $until = new DateTimeImmutable($day->format('Y-m-d'));

        return (int) $from->diff($until)->format('%r%a');
    }
}
