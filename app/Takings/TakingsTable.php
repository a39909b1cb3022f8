<?php

declare(strict_types=1);

namespace Elmstone\Takings;

use Brick\Math\BigDecimal;
use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Department;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\ItemSearch;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\TypedDay;

/** Takings as rows of a table: read, told apart from those entered before, and of each bad row said what is wrong. */
final class TakingsTable
{
    public const COLUMNS = [
        'date', 'time', 'number', 'who', 'item', 'department', 'description', 'quantity', 'price', 'tax', 'tender',
    ];

    /** Without them a row says nothing. */
    public const NEEDED = ['quantity', 'price', 'tender'];

    public const MOST_ROWS = 5_000;

    /** As they are typed. */
    private const TENDERS = [
        'cash' => TenderKind::Cash, 'card' => TenderKind::Card, 'cheque' => TenderKind::Cheque,
        'transfer' => TenderKind::BankTransfer,
    ];

    /** @var array<string, Department> by code and name */
    private array $departments = [];

    /** @var array<string, Item|null> by what was typed */
    private array $items = [];

    /** @var array<string, int> how often the same row stood here so far */
    private array $seen = [];

    public function __construct(
        private readonly House $house,
        private readonly ItemSearch $search,
        private readonly TakingsRights $rights,
    ) {
    }

    /**
     * @param  iterable<int, array<string, string>>  $table rows by line
     * @param  string  $day of those that say none, as it was typed
     *
     * @throws Refused no_rows, too_many_rows
     */
    public function read(iterable $table, string $day, Location $location, Staff $by): TakingsReport
    {
        foreach (Department::query()->get() as $department) {
            $this->departments[mb_strtolower($department->code)] = $department;
            $this->departments[mb_strtolower($department->name)] ??= $department;
        }

        [$rows, $complaints] = [[], []];
        $this->seen = [];

        foreach ($table as $line => $row) {
            if (self::isBlank($row)) {
                continue;
            }

            count($rows) + count($complaints) < self::MOST_ROWS || throw Refused::because(
                'too_many_rows',
                'That is more than '.number_format(self::MOST_ROWS).' rows. Enter them in parts.',
            );

            try {
                $read = $this->row($line, $row, $day, $location);
                $this->rights->assertMay($read, $location, $by);
                $rows[$line] = $read;
            } catch (Refused $refused) {
                $complaints[$line] = $refused->getMessage();
            }
        }

        $rows === [] && $complaints === [] && throw Refused::because('no_rows', 'There is nothing to enter yet.');

        return $this->sorted($rows, $complaints);
    }

    /**
     * Tells those apart that were entered before.
     *
     * @param  array<int, SoldRow>  $rows
     * @param  array<int, string>  $complaints
     */
    private function sorted(array $rows, array $complaints): TakingsReport
    {
        $entered = $this->entered($rows);
        $numbers = $this->numbers($rows);
        $before = [];

        foreach ($rows as $line => $row) {
            $as = $entered[$row->fingerprint] ?? null;
            $other = $numbers[$row->sale()] ?? null;

            if ($as !== null) {
                $before[$line] = $as;
                unset($rows[$line]);
            } elseif ($other !== null) {
                $complaints[$line] = "{$row->number} of {$row->day->format('j M Y')} was entered before, otherwise, as "
                    ."{$other}. Take that back first; or give this another number.";
                unset($rows[$line]);
            }
        }

        ksort($complaints);

        return new TakingsReport(array_values($rows), $before, $complaints);
    }

    /**
     * @param  array<int, SoldRow>  $rows
     * @return array<string, string> what each was posted as, by fingerprint
     */
    private function entered(array $rows): array
    {
        $entered = [];

        foreach (array_chunk(array_column($rows, 'fingerprint'), 1000) as $some) {
            $entered += EnteredRows::labels()
                ->whereIn('r.fingerprint', $some)
                ->pluck('d.label', 'r.fingerprint')
                ->all();
        }

        return array_map(static fn (mixed $label): string => is_string($label) ? $label : '', $entered);
    }

    /**
     * @param  array<int, SoldRow>  $rows
     * @return array<string, string> what a document of theirs was posted as, by day and number
     */
    private function numbers(array $rows): array
    {
        $found = [];
        $numbers = array_diff(array_unique(array_column($rows, 'number')), ['']);

        foreach (array_chunk($numbers, 1000) as $some) {
            foreach (
                EnteredRows::labels()->whereIn('r.number', $some)->get(['r.number', 'r.sold_on', 'd.label']) as $row
            ) {
                $found["{$row->sold_on} {$row->number}"] = (string) $row->label;
            }
        }

        return $found;
    }

    /** @param  array<string, string>  $row */
    private function row(int $line, array $row, string $day, Location $location): SoldRow
    {
        $on = $this->day($row['date'] ?? '', $day);
        $location->assertOpenOn($on);
        $time = $row['time'] ?? '';
        $time === '' || preg_match('/^([01]?\d|2[0-3])[:.][0-5]\d$/D', $time) === 1
            || throw Refused::because('bad_time', "“{$time}” is no time. Write it as 14:30.");
        $item = $this->item($row['item'] ?? '');
        $department = $item === null ? $this->department($row['department'] ?? '') : $item->department_id;
        $quantity = Quantity::of(TypedNumber::plain($row['quantity'] ?? '' ?: '1'));
        $price = $this->house->typedPrice($row['price'] ?? '');
        $description = ($row['description'] ?? '') ?: $item->description
            ?? self::named($this->departments, $department);

        $read = [
            $on->format('Y-m-d'), str_pad(str_replace('.', ':', $time), $time === '' ? 0 : 5, '0', STR_PAD_LEFT),
            self::short($row['number'] ?? '', 40, 'number'), self::short($row['who'] ?? '', 80, 'name'),
            $item->code ?? "department {$department} {$description}",
            (string) BigDecimal::of($quantity->toString())->stripTrailingZeros(),
            (string) BigDecimal::of($price->toString())->stripTrailingZeros(), self::tax($row['tax'] ?? ''),
            self::tender($row['tender'] ?? '')->value,
        ];
        $same = implode("\x1f", $read);
        $this->seen[$same] = ($this->seen[$same] ?? 0) + 1;

        return new SoldRow(
            $line,
            $on,
            $read[1],
            $read[2],
            $read[3],
            $item,
            $department,
            mb_substr($description, 0, 160),
            $item->tax_class ?? 'standard',
            $quantity,
            $price,
            $read[7] === 'with',
            self::tender($row['tender'] ?? ''),
            hash('sha256', "{$same}\x1f{$this->seen[$same]}"),
        );
    }

    private function day(string $typed, string $otherwise): CarbonImmutable
    {
        $typed = $typed !== '' ? $typed : $otherwise;

        return match (true) {
            $typed === '' => throw Refused::because('no_date', 'Which day was it? Type the date.'),
            default => TypedDay::read($typed, ShopTime::today())
                ?? throw Refused::because('bad_date', "“{$typed}” is no day. Write it as 2026-03-31."),
        };
    }

    private function item(string $typed): ?Item
    {
        if ($typed === '') {
            return null;
        }

        $item = array_key_exists($typed, $this->items) ? $this->items[$typed]
            : $this->items[$typed] = $this->search->exact($typed);

        return match (true) {
            $item === null => throw Refused::because('no_item', "“{$typed}” is no item. Type its code or barcode."),
            $item->has_serials => throw Refused::because(
                'has_serials',
                "“{$item->description}” has serial numbers: ring it up at the counter, where they are scanned.",
            ),
            default => $item,
        };
    }

    private function department(string $typed): int
    {
        return $this->departments[mb_strtolower($typed)]->id ?? throw Refused::because(
            'no_department',
            $typed === '' ? 'What was it? Type an item, or a department.' : "There is no department “{$typed}”.",
        );
    }

    /** @param  array<string, Department>  $departments */
    private static function named(array $departments, int $id): string
    {
        foreach ($departments as $department) {
            if ($department->id === $id) {
                return $department->name;
            }
        }

        return '';
    }

    private static function tax(string $typed): string
    {
        return match (mb_strtolower($typed)) {
            '', 'with', 'in', 'yes', 'y' => 'with',
            'without', 'before', 'no', 'n' => 'without',
            default => throw Refused::because('bad_tax', "“{$typed}”: is tax in the price? Write with or without."),
        };
    }

    private static function tender(string $typed): TenderKind
    {
        return self::TENDERS[mb_strtolower($typed)] ?? throw Refused::because(
            'bad_tender',
            "“{$typed}”: how was it paid? Write cash, card, cheque or transfer.",
        );
    }

    private static function short(string $typed, int $most, string $what): string
    {
        return mb_strlen($typed) <= $most ? $typed
            : throw Refused::because('too_long', "The {$what} is longer than {$most} letters.");
    }

    /**
     * Whether nothing of it was filled in.
     *
     * @param  array<string, string>  $row
     */
    public static function isBlank(array $row): bool
    {
        return array_filter(
            array_intersect_key($row, array_flip(['number', 'who', 'item', 'department', 'description', 'price'])),
            static fn (string $cell): bool => $cell !== '',
        ) === [];
    }
}
