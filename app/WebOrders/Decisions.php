<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Carbon\CarbonImmutable;
use Elmstone\Support\TypedDate;

/** What a person decided about an order that could not be taken as it came. */
final readonly class Decisions
{
    /**
     * @param  int|null  $customer whose number was typed; null: whom they name
     * @param  array<int, string>  $codes what they mean, by line from 0
     * @param  array<int, bool>  $theirs whether their price is taken, by line; of others ours is
     * @param  array<int, true>  $without lines that are left out
     * @param  bool|null  $theirFreight whether bringing it costs what they say, or what our table says; null: not
     *     decided
     * @param  bool  $withoutAllowance what they take off the whole is not given
     * @param  bool  $anySum their sum of the lines need not be right
     * @param  CarbonImmutable|null  $wantedOn another day than theirs
     * @param  bool  $anyDay theirs is dropped
     * @param  array<int, string>  $seen our price as it stood there when it was decided, in words, by line
     */
    public function __construct(
        public ?int $customer = null,
        public array $codes = [],
        public array $theirs = [],
        public array $without = [],
        public ?bool $theirFreight = null,
        public bool $withoutAllowance = false,
        public bool $anySum = false,
        public ?CarbonImmutable $wantedOn = null,
        public bool $anyDay = false,
        public array $seen = [],
    ) {
    }

    /** Whether it is decided at which price a line is taken; ours only as it was seen. */
    public function hasPrice(int $at, string $ours): bool
    {
        return isset($this->theirs[$at]) && ($this->theirs[$at] || ($this->seen[$at] ?? $ours) === $ours);
    }

    /**
     * As typed: customer, rows (code, price ours or theirs, seen, without), freight, without_allowance, any_sum,
     * wanted_on, any_day.
     *
     * @param  array<mixed>  $typed
     */
    public static function fromTyped(array $typed): self
    {
        $text = static fn (mixed $one): string => is_string($one) ? trim($one) : '';
        $rows = array_filter(is_array($typed['rows'] ?? null) ? $typed['rows'] : [], is_array(...));
        [$codes, $theirs, $without, $seen] = [[], [], [], []];

        foreach ($rows as $at => $row) {
            [$code, $price] = [$text($row['code'] ?? ''), $text($row['price'] ?? '')];
            $code === '' || ($codes[(int) $at] = mb_substr($code, 0, 40));
            in_array($price, ['ours', 'theirs'], true) && ($theirs[(int) $at] = $price === 'theirs');
            $text($row['seen'] ?? '') === '' || ($seen[(int) $at] = $text($row['seen'] ?? ''));
            $text($row['without'] ?? '') === '1' && ($without[(int) $at] = true);
        }

        $is = static fn (string $name): bool => $text($typed[$name] ?? '') === '1';
        [$customer, $freight] = [$text($typed['customer'] ?? ''), $text($typed['freight'] ?? '')];
        $day = $text($typed['wanted_on'] ?? '');

        return new self(
            preg_match('/^\d{1,9}$/D', $customer) === 1 ? (int) $customer : null,
            $codes,
            $theirs,
            $without,
            in_array($freight, ['ours', 'theirs'], true) ? $freight === 'theirs' : null,
            $is('without_allowance'),
            $is('any_sum'),
            TypedDate::of($day),
            $is('any_day'),
            $seen,
        );
    }
}
