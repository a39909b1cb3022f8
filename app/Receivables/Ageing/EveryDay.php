<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Ageing;

use Elmstone\Books\Accounts;
use Elmstone\Books\Proof\Proof;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Goes through the receivables once, in the order of days, and holds at the end of every day on which anything
 * happened: each customer's balance is what is open of their items, no item is open below nothing, and all customers
 * together come to the control account.
 */
final class EveryDay
{
    /** @var array<int, int> what is open of each item, minor units by document id */
    private array $items = [];

    /** @var array<int, int> whose each item is by document id, the customer below zero for a credit */
    private array $owners = [];

    /** @var array<int, int> the sum of a customer's documents, minor units */
    private array $balances = [];

    /** @var array<int, int> the sum of what is open of a customer's items, charges less credits, minor units */
    private array $open = [];

    private int $control = 0;

    public function prove(Proof $proof): void
    {
        $control = $this->controlByDay();
        $seen = [];

        foreach ($this->days() as $day => $events) {
            [$customers, $items] = $this->play($proof, $day, $events);
            $this->control += $control[$day] ?? 0;
            $seen[$day] = true;
            $this->customers($proof, $day, $customers);
            $this->items($proof, $day, $items);
            $proof->same(
                "receivables on {$day}",
                'the sum of all customers',
                array_sum($this->balances),
                $this->control,
            );
            $proof->checked('days on which customers, ageing and control account agree');
        }

        foreach (array_diff_key($control, $seen) as $day => $moved) {
            $moved === 0
                || $proof->fault("receivables on {$day}: the control account moved by {$moved}, and no customer’s did");
        }
    }

    /**
     * @param  list<stdClass>  $events
     * @return array{array<int, true>, array<int, true>} customers and items touched
     */
    private function play(Proof $proof, string $day, array $events): array
    {
        $customers = [];
        $items = [];

        foreach ($events as $event) {
            $sides = $event->credit_id === null ? $this->enter($event) : $this->set($proof, $day, $event);
            $customers += $sides[0];
            $items += $sides[1];
        }

        return [$customers, $items];
    }

    /** @return array{array<int, true>, array<int, true>} */
    private function enter(stdClass $event): array
    {
        $customer = (int) $event->customer_id;
        $sign = $event->kind === 'charge' ? 1 : -1;
        $this->items[(int) $event->document_id] = (int) $event->amount;
        $this->owners[(int) $event->document_id] = $sign * $customer;
        $this->balances[$customer] = ($this->balances[$customer] ?? 0) + $sign * (int) $event->amount;
        $this->open[$customer] = ($this->open[$customer] ?? 0) + $sign * (int) $event->amount;

        return [[$customer => true], []];
    }

    /** @return array{array<int, true>, array<int, true>} */
    private function set(Proof $proof, string $day, stdClass $event): array
    {
        $customers = [];
        $items = [];

        foreach ([(int) $event->credit_id, (int) $event->charge_id] as $document) {
            if (! isset($this->items[$document])) {
                $proof->fault(
                    "allocation {$event->document_id} counts from {$day}, before what it is set against is there",
                );

                continue;
            }

            $owner = $this->owners[$document];
            $this->items[$document] -= (int) $event->amount;
            $this->open[abs($owner)] -= ($owner <=> 0) * (int) $event->amount;
            $customers[abs($owner)] = true;
            $items[$document] = true;
        }

        return [$customers, $items];
    }

    /** @param  array<int, true>  $touched */
    private function customers(Proof $proof, string $day, array $touched): void
    {
        foreach (array_keys($touched) as $customer) {
            $proof->same(
                "customer {$customer} on {$day}",
                'the sum of the ageing’s columns',
                $this->open[$customer],
                $this->balances[$customer],
            );
        }
    }

    /** @param  array<int, true>  $touched */
    private function items(Proof $proof, string $day, array $touched): void
    {
        foreach (array_keys($touched) as $document) {
            $this->items[$document] < 0
                && $proof->fault("{$this->label($document)}: on {$day} more is set against it than it comes to");
        }
    }

    private function label(int $document): string
    {
        $label = DB::table('open_items')->where('document_id', $document)->value('label');

        return is_string($label) ? $label : "document {$document}";
    }

    /** @return iterable<string, list<stdClass>> what happened on each day, documents before allocations */
    private function days(): iterable
    {
        $day = null;
        $events = [];

        foreach (
            DB::cursor(
                <<<'SQL'
                SELECT business_date, 0 AS step, document_id, customer_id, kind, amount, NULL AS credit_id,
                    NULL AS charge_id FROM open_items
                UNION ALL
                SELECT business_date, 1, id, customer_id, '', amount, credit_id, charge_id FROM allocations
                ORDER BY business_date, step, document_id
                SQL
                ,
            ) as $event
        ) {
            if ($day !== null && $day !== $event->business_date) {
                yield $day => $events;
                $events = [];
            }

            $day = (string) $event->business_date;
            $events[] = $event;
        }

        if ($day !== null) {
            yield $day => $events;
        }
    }

    /** @return array<string, int> how the control account moved on each day, minor units */
    private function controlByDay(): array
    {
        return array_map(
            intval(...),
            DB::table('journal_lines as l')
                ->join('journal_entries as e', 'e.document_id', '=', 'l.document_id')
                ->where('l.account', Accounts::RECEIVABLES)
                ->groupBy('e.business_date')
                ->selectRaw('e.business_date AS day, SUM(l.debit) - SUM(l.credit) AS moved')
                ->pluck('moved', 'day')
                ->all(),
        );
    }
}
