<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Brick\Math\BigDecimal;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;

/**
 * One thing that can be set: what it is called, what is typed, and what is refused. The same on a page and in a file.
 */
final readonly class Field
{
    /** @param  array<array-key, string>  $choices words by what is kept */
    private function __construct(
        public string $name,
        public string $label,
        public FieldKind $kind,
        public string $hint = '',
        public bool $isNeeded = false,
        public int $least = 0,
        public int $most = 190,
        public array $choices = [],
        public string $pattern = '',
        public string $wanted = '',
        public string $shape = '',
    ) {
    }

    public static function text(string $name, string $label, int $most = 190): self
    {
        return new self($name, $label, FieldKind::Text, most: $most);
    }

    public static function long(string $name, string $label, int $most): self
    {
        return new self($name, $label, FieldKind::Long, most: $most);
    }

    public static function number(string $name, string $label, int $least, int $most): self
    {
        return new self($name, $label, FieldKind::Number, isNeeded: true, least: $least, most: $most);
    }

    /** An amount; nothing typed is nothing. */
    public static function money(string $name, string $label): self
    {
        return new self($name, $label, FieldKind::Money);
    }

    public static function percent(string $name, string $label): self
    {
        return new self($name, $label, FieldKind::Percent);
    }

    public static function tick(string $name, string $label): self
    {
        return new self($name, $label, FieldKind::Tick);
    }

    /** @param  array<array-key, string>  $choices words by what is kept; '' is none */
    public static function choice(string $name, string $label, array $choices): self
    {
        return new self($name, $label, FieldKind::Choice, choices: $choices);
    }

    /** Notes of money in use, with commas. */
    public static function notes(string $name, string $label): self
    {
        return new self($name, $label, FieldKind::Notes);
    }

    /** Typed, never shown again. */
    public static function secret(string $name, string $label): self
    {
        return new self($name, $label, FieldKind::Secret);
    }

    public function hint(string $hint): self
    {
        return $this->with(['hint' => $hint]);
    }

    /** @param  string  $wanted said where it is missing */
    public function needed(string $wanted = ''): self
    {
        return $this->with(['isNeeded' => true, 'wanted' => $wanted]);
    }

    public function optional(): self
    {
        return $this->with(['isNeeded' => false]);
    }

    /** @param  string  $shape what it looks like, said where it does not */
    public function like(string $pattern, string $shape): self
    {
        return $this->with(['pattern' => $pattern, 'shape' => $shape]);
    }

    /**
     * What was typed, as a value of its kind: string, int, Money, Percentage, bool or list of Money; null: none.
     *
     * @throws Refused not_set
     */
    public function read(mixed $typed, Currency $currency): mixed
    {
        if ($this->kind === FieldKind::Tick) {
            return in_array($typed, [true, 1, '1', 'true', 'on', 'yes'], true);
        }

        $typed = is_array($typed) ? implode(', ', array_filter($typed, is_scalar(...))) : $typed;
        $typed = is_scalar($typed) ? trim((string) $typed) : '';

        if ($typed === '') {
            return $this->isNeeded ? $this->refuse($this->wanted === '' ? 'This is needed.' : $this->wanted)
                : $this->nothing($currency);
        }

        return match ($this->kind) {
            FieldKind::Number => $this->whole($typed),
            FieldKind::Money => $this->amount($typed, $currency),
            FieldKind::Percent => Percentage::of(TypedNumber::plain($typed)),
            FieldKind::Choice => array_key_exists($typed, $this->choices) ? $typed
                : $this->refuse(
                    "“{$typed}” is none of these: ".implode(', ', array_diff(array_keys($this->choices), [''])).'.',
                ),
            FieldKind::Notes => array_map(
                fn (string $one): Money => $this->amount(trim($one), $currency),
                array_values(array_filter(explode(',', $typed), static fn (string $one): bool => trim($one) !== '')),
            ),
            default => $this->words($typed),
        };
    }

    /** A value as it is typed. */
    public function typed(mixed $value, Currency $currency): string
    {
        return match (true) {
            $value === null => '',
            is_bool($value) => $value ? '1' : '',
            $value instanceof Money => $value->isZero() ? '' : $value->toString(),
            $value instanceof Percentage => $value->toString(),
            $value instanceof BigDecimal => (string) $value,
            is_array($value) => implode(', ', array_map(
                static fn (mixed $note): string => $note instanceof Money ? self::short($note) : '',
                $value,
            )),
            default => is_scalar($value) ? (string) $value : '',
        };
    }

    /** A value in words, as the record of changes has it. */
    public function said(mixed $value, Currency $currency): string
    {
        $typed = $this->typed($value, $currency);

        return match ($this->kind) {
            FieldKind::Tick => $typed === '1' ? 'yes' : 'no',
            FieldKind::Choice => $this->choices[$typed] ?? $typed,
            FieldKind::Secret => '',
            default => $typed,
        };
    }

    /** "20" rather than "20.00". */
    private static function short(Money $note): string
    {
        return (string) preg_replace('/\.0+$/D', '', $note->toString());
    }

    private function nothing(Currency $currency): mixed
    {
        return match ($this->kind) {
            FieldKind::Text, FieldKind::Long, FieldKind::Secret => '',
            FieldKind::Money => Money::zero($currency),
            FieldKind::Notes => [],
            default => null,
        };
    }

    private function whole(string $typed): int
    {
        return preg_match('/^\d{1,12}$/D', $typed) === 1 && (int) $typed >= $this->least && (int) $typed <= $this->most
            ? (int) $typed
            : $this->refuse('Type a number from '.number_format($this->least).' to '.number_format($this->most).'.');
    }

    private function amount(string $typed, Currency $currency): Money
    {
        $amount = Money::of(TypedNumber::plain($typed), $currency);

        return $amount->isNegative() ? $this->refuse('It cannot be below zero.') : $amount;
    }

    private function words(string $typed): string
    {
        return match (true) {
            $this->pattern !== '' && preg_match($this->pattern, $typed) !== 1 => $this->refuse($this->shape),
            mb_strlen($typed) > $this->most => $this->refuse("That is longer than {$this->most} letters."),
            default => $typed,
        };
    }

    private function refuse(string $words): never
    {
        throw Refused::because('not_set', $words);
    }

    /** @param  array<string, mixed>  $changed */
    private function with(array $changed): self
    {
        return new self(...[...get_object_vars($this), ...$changed]);
    }
}
