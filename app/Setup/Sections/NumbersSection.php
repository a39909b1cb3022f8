<?php

declare(strict_types=1);

namespace Elmstone\Setup\Sections;

use Elmstone\Books\Accounts;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\FirstNumbers;
use Elmstone\Setup\Complaints;
use Elmstone\Setup\Field;
use Elmstone\Setup\Section;
use Elmstone\Shop\Shop;
use Override;

/** The number each series gives out next; it can be set until the first was given out. */
final class NumbersSection extends Section
{
    private const CUSTOMERS = 'customers';

    #[Override]
    public function key(): string
    {
        return 'numbers';
    }

    #[Override]
    public function title(): string
    {
        return 'Numbers';
    }

    #[Override]
    public function purpose(): string
    {
        return 'Where each series begins: go on from the last number of your books before. From the first one given '
            .'out, numbers follow each other without a gap.';
    }

    /** @return list<Field> */
    public function fields(): array
    {
        $fields = array_map(
            static fn (DocumentKind $kind): Field => Field::number(
                $kind->value, 'Next '.lcfirst($kind->title()), 1, 999_999_999,
            )->hint("as {$kind->label(24_871)}"),
            DocumentKind::cases(),
        );

        return [...$fields, Field::number(self::CUSTOMERS, 'Next customer', 1, 99_999_999)];
    }

    #[Override]
    public function now(): array
    {
        $now = [];
        $next = FirstNumbers::next();

        foreach (DocumentKind::cases() as $kind) {
            $now[$kind->value] = (string) ($next[$kind->value] ?? 1);
        }

        return [...$now, self::CUSTOMERS => (string) (self::lastCustomer() + 1)];
    }

    #[Override]
    public function words(): array
    {
        $words = [];
        $now = $this->now();

        foreach ($this->fields() as $field) {
            $words[$field->label] = is_string($now[$field->name]) ? $now[$field->name] : '';
        }

        return $words;
    }

    #[Override]
    public function keep(array $given): void
    {
        Accounts::open();
        $complaints = new Complaints;
        $typed = [];

        foreach ($this->fields() as $field) {
            $typed[$field->name] = $complaints->read(
                $field->name,
                fn (): mixed => $field->read(
                    $given[$field->name] ?? $this->now()[$field->name] ?? '',
                    $this->currency(),
                ),
            );
        }

        foreach (DocumentKind::cases() as $kind) {
            $first = $typed[$kind->value];
            $next = FirstNumbers::next()[$kind->value] ?? 1;
            is_int($first) && $first !== $next && ! FirstNumbers::begin($kind, $first) && $complaints->say(
                $kind->value,
                "{$kind->label($next - 1)} was given out: the series goes on with {$next}.",
            );
        }

        $this->customers($typed[self::CUSTOMERS], $complaints);
        $complaints->end();
    }

    #[Override]
    public function isReady(): bool
    {
        return true;
    }

    #[Override]
    public function view(): string
    {
        return 'setup.fields';
    }

    private function customers(mixed $next, Complaints $complaints): void
    {
        $last = self::lastCustomer();

        match (true) {
            ! is_int($next), $next === $last + 1 => null,
            self::isOpen() && $next <= $last => $complaints->say(
                self::CUSTOMERS,
                "Customer {$last} is there already: the next is above it.",
            ),
            default => Shop::query()->update(['last_customer_number' => $next - 1]),
        };
    }

    private static function lastCustomer(): int
    {
        $last = Shop::query()->value('last_customer_number');

        return is_numeric($last) ? (int) $last : 1000;
    }
}
