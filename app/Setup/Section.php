<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Elmstone\Core\Money\Currency;
use Elmstone\Shop\Shop;
use Illuminate\Validation\ValidationException;

/**
 * A part of what can be set: a page of the settings, a step of setting up, and a part of the file a shop is installed
 * from. What is typed is the same in all three.
 */
abstract class Section
{
    /** So much of it a line has. */
    private const SUMMED = 3;

    /** In addresses and in the file. */
    abstract public function key(): string;

    abstract public function title(): string;

    /** In a sentence, what it is for. */
    abstract public function purpose(): string;

    /** @return array<string, mixed> as it would be typed now */
    abstract public function now(): array;

    /** @return array<string, string> what is set, in words, by what it is */
    abstract public function words(): array;

    /** In a line, what it comes to. */
    public function summary(): string
    {
        $said = array_filter($this->words(), static fn (string $words): bool => $words !== '' && $words !== 'no');

        return implode(' · ', array_map(
            static fn (string $what, string $words): string => "{$what}: {$words}",
            array_slice(array_keys($said), 0, self::SUMMED),
            array_slice(array_values($said), 0, self::SUMMED),
        ));
    }

    /**
     * Keeps what was typed, all of it or nothing.
     *
     * @param  array<mixed>  $given
     *
     * @throws ValidationException what cannot be kept, beside its field
     */
    abstract public function keep(array $given): void;

    /** Whether a shop could open with what is set. */
    abstract public function isReady(): bool;

    /** The view with its fields. */
    abstract public function view(): string;

    /** What the shop reckons in; before there is one, what most examples do. */
    protected function currency(): Currency
    {
        return Currency::of(Shop::query()->value('currency') ?? 'USD');
    }

    protected static function isOpen(): bool
    {
        return Shop::query()->whereNotNull('opened_at')->exists();
    }
}
