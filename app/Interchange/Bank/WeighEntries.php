<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\Suggestion;
use Elmstone\Interchange\Bank\Read\BankEntryRead;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Shop\House;

/**
 * Weighs whom payments are from: by the invoices and the account the text names, the payer's name, the bank account
 * they paid from before, and what the amount fits. Whatever points at somebody else, and whatever was paid already,
 * speaks against. What digits happen to be, and an amount that happens to fit, is never enough alone.
 */
final class WeighEntries
{
    /** Above so many open items it is not looked which of them sum to an amount. */
    private const MOST_ITEMS = 200;

    private readonly OpenNow $now;

    /** @var array<string, Money> what payments of this file put on a charge already, by label */
    private array $met = [];

    /** @param  list<BankEntryRead>  $entries all of the file */
    public function __construct(private readonly House $house, array $entries)
    {
        $this->now = new OpenNow($entries);
    }

    /** @param  CarbonImmutable  $day the day it would be posted on */
    public function weigh(BankEntryRead $entry, CarbonImmutable $day): Weighed
    {
        if ($entry->kind !== BankEntryKind::In) {
            return new Weighed(null);
        }

        $numbers = NamedNumbers::in($entry->reference);
        $candidates = $this->candidates($entry, $numbers);
        $best = reset($candidates) ?: $this->byAmountAlone($entry);
        $this->againstOthers($best, array_slice($candidates, 1));
        $this->paidAlready($best, $numbers);
        $best->customer === null || $this->spread($best, $entry, $numbers, $day);
        $this->metTwice($best);

        return $best;
    }

    /**
     * Everybody something points at, who most speaks for first.
     *
     * @param  list<array{number: string, called: string}>  $numbers
     * @return list<Weighed>
     */
    private function candidates(BankEntryRead $entry, array $numbers): array
    {
        $found = [];
        $of = static function (int $customer) use (&$found): Weighed {
            return $found[$customer] ??= new Weighed($customer);
        };

        foreach ($this->pointers($entry, $numbers) as [$customer, $weight, $words]) {
            in_array($words, $of($customer)->for, true) || $of($customer)->speaksFor($weight, $words);
        }

        usort($found, static fn (Weighed $one, Weighed $other): int => $other->weighs() <=> $one->weighs());

        return $found;
    }

    /**
     * @param  list<array{number: string, called: string}>  $numbers
     * @return iterable<array{int, int, string}> customer, weight, words
     */
    private function pointers(BankEntryRead $entry, array $numbers): iterable
    {
        foreach ($this->now->fromAccount($entry->payerAccount) as $customer) {
            yield [$customer, 3, 'paid from this bank account before'];
        }

        $named = $this->now->named($entry->payer);

        foreach ($named as $customer) {
            yield [
                $customer,
                count($named) === 1 ? 2 : 1,
                count($named) === 1 ? 'name of the payer' : 'name of the payer, which several have',
            ];
        }

        foreach ($numbers as ['number' => $number, 'called' => $called]) {
            $account = $this->now->account($number);

            if ($account !== null && ($called === NamedNumbers::ACCOUNT || $called === '')) {
                yield [
                    $account,
                    $called === '' ? 1 : 2,
                    $called === '' ? "{$number} is their number" : 'account number in the text',
                ];
            }

            foreach ($called === NamedNumbers::ACCOUNT ? [] : $this->now->numbered($number, $called) as $item) {
                yield [
                    $item->customer_id,
                    $called === '' ? 1 : 3,
                    $called === '' ? "{$number} could be {$item->label}" : "names {$item->label}",
                ];
            }
        }
    }

    /** Nobody is pointed at: an amount that one open item has is something to look at, no more. */
    private function byAmountAlone(BankEntryRead $entry): Weighed
    {
        $items = $this->now->ofAmount($entry->amount);

        if (count($items) !== 1) {
            return new Weighed(null);
        }

        $alone = new Weighed($items[0]->customer_id);
        $alone->against[] = 'nothing but the amount speaks for it';

        return $alone;
    }

    /** @param  list<Weighed>  $others */
    private function againstOthers(Weighed $best, array $others): void
    {
        foreach (array_slice($others, 0, 3) as $other) {
            $best->against[] = "{$this->now->called[(int) $other->customer]}: ".implode(', ', array_slice($other
                ->for, 0, 2));
        }
    }

    /** @param  list<array{number: string, called: string}>  $numbers */
    private function paidAlready(Weighed $best, array $numbers): void
    {
        foreach ($numbers as ['number' => $number, 'called' => $called]) {
            $paid = $called === '' || strlen($number) > 9
                    ? null
                    : $this->now->paidAlready(sprintf('%s-%06d', $called, $number));
            $paid === null || ($best->against[] = $paid);
        }
    }

    /** @param  list<array{number: string, called: string}>  $numbers */
    private function spread(Weighed $best, BankEntryRead $entry, array $numbers, CarbonImmutable $day): void
    {
        if ($this->asListed($best, $entry, $day)) {
            return;
        }

        $named = $this->namedOf($best, $numbers);
        $named === [] ? $this->onAccount($best, $entry, $day) : $this->onNamed($best, $named, $entry, $day);
    }

    /** The payer's own list of what is paid on each invoice, where all of it is there and comes to the amount. */
    private function asListed(Weighed $best, BankEntryRead $entry, CarbonImmutable $day): bool
    {
        if ($entry->amounts === [] || ! $this->sum($entry->amounts)->equals($entry->amount)) {
            return false;
        }

        $shares = [];
        $discount = $this->house->money(0);

        foreach ($entry->amounts as $number => $amount) {
            $digits = ltrim(preg_replace('/\D/', '', (string) $number) ?? '', '0');
            $item = array_find(
                $this->now->ofCustomer((int) $best->customer),
                static fn (OpenItemRecord $item): bool => ltrim(preg_replace('/\D/', '', $item->label) ?? '', '0')
                    === $digits,
            );

            if ($item === null || ! $amount->isPositive() || $amount->exceeds($item->open)) {
                return false;
            }

            $shares[$item->label] = $amount;
            $off = $this->discountOf($item, $day);
            $discount = $amount->equals($item->open->minus($off)) ? $discount->plus($off) : $discount;
        }

        $best->shares = $shares;
        $best->discount = $discount;
        $best->speaksFor(
            2,
            'lists '
                .(count($shares) === 1 ? (string) array_key_first($shares) : count($shares).' invoices')
                .' with what is paid on each',
        );

        return true;
    }

    /**
     * @param  list<array{number: string, called: string}>  $numbers
     * @return list<OpenItemRecord>
     */
    private function namedOf(Weighed $best, array $numbers): array
    {
        $named = [];

        foreach ($numbers as ['number' => $number, 'called' => $called]) {
            foreach ($called === NamedNumbers::ACCOUNT ? [] : $this->now->numbered($number, $called) as $item) {
                $item->customer_id === $best->customer && ($named[$item->label] = $item);
            }
        }

        return array_values($named);
    }

    /** @param  non-empty-list<OpenItemRecord>  $items */
    private function onNamed(Weighed $best, array $items, BankEntryRead $entry, CarbonImmutable $day): void
    {
        $sum = $this->sum(array_map(static fn (OpenItemRecord $item): Money => $item->open, $items));
        $less = $this->sum(array_map(fn (OpenItemRecord $item): Money => $this->discountOf($item, $day), $items));
        $words = count($items) === 1 ? 'what is open of it' : 'what its '.count($items).' invoices come to';

        if ($less->isPositive() && $sum->minus($less)->equals($entry->amount)) {
            $best->shares = array_combine(
                array_column($items, 'label'),
                array_map(
                    fn (OpenItemRecord $item): Money => $item->open->minus($this->discountOf($item, $day)),
                    $items,
                ),
            );
            $best->discount = $less;
            $best->speaksFor(2, "exactly {$words}, less settlement discount");

            return;
        }

        $best->shares = $this->asFarAsItGoes($items, $entry->amount);
        $sum->equals($entry->amount)
            ? $best->speaksFor(2, "exactly {$words}")
            : ($best->for[] = 'not '.$words.', '.$sum->toString());
        $entry->amount->exceeds($sum) && ($best->against[] = 'more than what is named');
    }

    private function onAccount(Weighed $best, BankEntryRead $entry, CarbonImmutable $day): void
    {
        $items = $this->now->ofCustomer((int) $best->customer);
        $values = array_map(static fn (OpenItemRecord $item) => $item->toValue($day), $items);
        $suggestion = count($items) > self::MOST_ITEMS ? null : Suggestion::for($entry->amount, $values);

        if ($suggestion === null || count($suggestion->matches) !== 1 || $suggestion->more) {
            $open = $this->sum(array_map(static fn (OpenItemRecord $item): Money => $item->open, $items));
            $entry->amount->exceeds($open) && ($best->against[] = 'more than is owed');

            return;
        }

        $exact = array_values(
            array_filter(
                $items,
                static fn (OpenItemRecord $item): bool => in_array($item->label, $suggestion->matches[0], true),
            ),
        );
        $best->discount = $this->sum(
            array_map(fn (OpenItemRecord $item): Money => $this->discountOf($item, $day), $exact),
        );
        $best->shares = array_combine(
            array_column($exact, 'label'),
            array_map(fn (OpenItemRecord $item): Money => $item->open->minus($this->discountOf($item, $day)), $exact),
        );
        $best->speaksFor(1, 'exactly '.(count($exact) === 1 ? $exact[0]->label : count($exact).' items'));
    }

    private function discountOf(OpenItemRecord $item, CarbonImmutable $day): Money
    {
        return $item->toValue($day)->discount;
    }

    /** @param  array<array-key, Money>  $amounts */
    private function sum(array $amounts): Money
    {
        return Money::sum($amounts, $this->house->currency());
    }

    /** Two payments of one file on the same charge are more than it is open for. */
    private function metTwice(Weighed $best): void
    {
        foreach ($best->shares ?? [] as $label => $amount) {
            $item = array_find(
                $this->now->ofCustomer((int) $best->customer),
                static fn (OpenItemRecord $item): bool => $item->label === $label,
            );
            $this->met[$label] = $amount->plus($this->met[$label] ?? $this->house->money(0));
            $item !== null
                && $this->met[$label]->exceeds($item->open)
                && ($best->against[] = "{$label} is met by another payment of this file too");
        }
    }

    /**
     * @param  list<OpenItemRecord>  $items
     * @return array<string, Money>
     */
    private function asFarAsItGoes(array $items, Money $left): array
    {
        $shares = [];

        foreach ($items as $item) {
            $part = Money::min($left, $item->open);
            $left = $left->minus($part);
            $part->isPositive() && ($shares[$item->label] = $part);
        }

        return $shares;
    }
}
