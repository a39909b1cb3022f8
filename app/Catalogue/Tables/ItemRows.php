<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Tables;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use Elmstone\Catalogue\Unit;
use Elmstone\Core\Catalogue\Gtin;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Shop\House;
use Elmstone\Shop\Settings;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Reads rows of items a thousand at a time, beside the items there are. */
final class ItemRows
{
    public const COLUMNS = [
        'code', 'barcode', 'description', 'department', 'unit', 'price_per', 'list_price', 'floor_price', 'cost',
        'tax_class', 'may_discount', 'net_price', 'active', 'has_serials', 'divisible', 'shelf', 'weight',
        'clerk_words',
    ];

    private const TICKS = ['may_discount', 'net_price', 'active', 'has_serials', 'divisible'];

    private const TEXTS = ['description' => 160, 'shelf' => 40, 'clerk_words' => 500];

    /** Of a new item, where its cell is empty. */
    private const USUAL = [
        'unit' => 'each', 'price_per' => '1', 'floor_price' => '-', 'cost' => '0', 'may_discount' => 'yes',
        'net_price' => 'no', 'active' => 'yes', 'has_serials' => 'no', 'divisible' => 'no', 'weight' => '0',
        'shelf' => '-', 'clerk_words' => '-', 'barcode' => '-',
    ];

    /** @var array<string, int> ids by code, in lower case */
    private array $departments = [];

    /** @var array<string, string> */
    private array $classes = [];

    /** @var array<string, int> lines by code, in lower case */
    private array $codes = [];

    /** @var array<string, int> lines by barcode of fourteen digits */
    private array $barcodes = [];

    public function __construct(private readonly House $house, private readonly Settings $settings)
    {
    }

    public function begin(): void
    {
        $this->departments = array_change_key_case(DB::table('departments')->pluck('id', 'code')->all());
        $this->classes = $this->settings->letters();
        [$this->codes, $this->barcodes] = [[], []];
    }

    /**
     * @param  array<int, array<string, string>>  $rows by line
     * @param  callable(int, ItemRow|Refused, string): void  $take
     */
    public function some(array $rows, callable $take): void
    {
        $codes = array_map(static fn (array $row): string => $row['code'] ?? '', $rows);
        $known = DB::table('items')->whereIn('code', array_values($codes))->get()
            ->keyBy(static fn (stdClass $item): string => mb_strtolower((string) $item->code));
        $holders = DB::table('items')->whereIn('gtin', array_values(array_map(
            static fn (array $row): string => str_pad($row['barcode'] ?? '', 14, '0', STR_PAD_LEFT),
            $rows,
        )))->pluck('code', 'gtin')->all();
        $stocked = DB::table('stock')->whereIn('item_id', $known->pluck('id'))->where('on_hand', '<>', 0)
            ->distinct()->pluck('item_id', 'item_id')->all();

        foreach ($rows as $line => $row) {
            $code = $row['code'] ?? '';
            $item = $known->get(mb_strtolower($code));

            try {
                $read = $this->row($line, $row, $item, isset($stocked[(int) ($item->id ?? 0)]));
                $this->assertBarcodeFree($read, $line, $holders);
            } catch (Refused $refused) {
                $read = $refused;
            }

            $take($line, $read, $code);
        }
    }

    /** @return list<string> an item as its row */
    public function written(stdClass $item, string $department): array
    {
        return array_map(static fn (string $column): string => match (true) {
            $column === 'department' => $department,
            in_array($column, self::TICKS, true) => (bool) $item->{$column} ? 'yes' : 'no',
            default => (string) $item->{$column},
        }, self::COLUMNS);
    }

    /**
     * @param  array<string, string>  $row
     *
     * @throws Refused
     */
    private function row(int $line, array $row, ?stdClass $item, bool $isStocked): ItemRow
    {
        $code = $item->code ?? $row['code'] ?? '';
        preg_match('/^[!-~]{1,24}$/D', $code) === 1 || throw Refused::because(
            'bad_code',
            'A code has up to 24 letters, digits and signs, and no spaces.',
        );
        $seen = $this->codes[mb_strtolower($code)] ?? null;
        $seen === null || throw Refused::because('twice', "Line {$seen} has this code already.");
        $this->codes[mb_strtolower($code)] = $line;
        $before = $item === null ? [] : $this->before($item);
        $values = ['code' => $code];

        foreach (self::COLUMNS as $column) {
            $typed = $row[$column] ?? '';
            $typed = $typed === '' && $item === null ? self::USUAL[$column] ?? '' : $typed;
            $kept = $column === 'department' ? 'department_id' : $column;
            $column === 'code' || ($values[$kept] = $typed === '' && $item !== null
                ? $before[$kept] : $this->value($column, $typed === '-' ? '' : $typed));
        }

        $cost = $before['cost'] ?? null;
        $isStocked && ($values['cost'] ?? null) !== $cost && throw Refused::because(
            'cost_of_stock',
            "It is on hand at a cost of {$cost}: that changes with what comes in, or on its page.",
        );

        return new ItemRow($item === null ? null : (int) $item->id, $values, $before);
    }

    /** @return array<string, string|int|null> */
    private function before(stdClass $item): array
    {
        $before = [];

        foreach (self::COLUMNS as $column) {
            $kept = $column === 'department' ? 'department_id' : $column;
            $value = $item->{$kept};
            $before[$kept] = is_int($value) || $value === null ? $value : (string) $value;
        }

        return $before;
    }

    private function value(string $column, string $typed): string|int|null
    {
        return match (true) {
            in_array($column, self::TICKS, true) => $this->tick($column, $typed),
            isset(self::TEXTS[$column]) => self::text($column, $typed),
            default => match ($column) {
                'barcode' => $typed === '' ? null : Gtin::of($typed)->digits,
                'department' => $this->departments[mb_strtolower($typed)] ?? throw Refused::because(
                    'no_department',
                    $typed === '' ? 'Which department? Type its code.' : "There is no department “{$typed}”.",
                ),
                'unit' => Unit::tryFrom($typed)->value ?? throw Refused::because(
                    'bad_unit',
                    "“{$typed}” is no unit: ".implode(', ', array_column(Unit::cases(), 'value')).'.',
                ),
                'price_per' => in_array($typed, ['1', '100', '1000'], true) ? (int) $typed
                    : throw Refused::because('bad_price_per', 'A price is per 1, 100 or 1000.'),
                'tax_class' => isset($this->classes[$typed]) ? $typed : throw Refused::because(
                    'no_tax_class',
                    $typed === '' ? 'Which tax class?' : "There is no tax class “{$typed}”.",
                ),
                'weight' => self::decimal($typed === '' ? '0' : $typed, 3),
                'floor_price' => $typed === '' ? null : $this->price($typed),
                default => $this->price($typed),
            },
        };
    }

    private function price(string $typed): string
    {
        return self::decimal($this->house->typedPrice($typed)->toString(), 4);
    }

    private function tick(string $column, string $typed): int
    {
        return match (mb_strtolower($typed)) {
            'yes', 'y', '1', 'true' => 1,
            'no', 'n', '0', 'false' => 0,
            default => throw Refused::because('bad_tick', strtr($column, '_', ' ').': yes or no.'),
        };
    }

    private static function text(string $column, string $typed): string
    {
        return match (true) {
            $column === 'description' && $typed === '' => throw Refused::because('no_description', 'Say what it is.'),
            mb_strlen($typed) > self::TEXTS[$column] => throw Refused::because(
                'too_long',
                'The '.strtr($column, '_', ' ').' is longer than '.self::TEXTS[$column].' letters.',
            ),
            default => $typed,
        };
    }

    private static function decimal(string $typed, int $places): string
    {
        $number = BigDecimal::of(TypedNumber::plain($typed));

        return $number->isNegative() || $number->isGreaterThan('9999999')
            ? throw Refused::because('bad_number', "“{$typed}” is not between 0 and 9,999,999.")
            : (string) $number->toScale($places, RoundingMode::HALF_UP);
    }

    /**
     * @param  array<mixed>  $holders codes by barcode, of items there are
     *
     * @throws Refused
     */
    private function assertBarcodeFree(ItemRow $row, int $line, array $holders): void
    {
        if ($row->values['barcode'] === null) {
            return;
        }

        $gtin = str_pad((string) $row->values['barcode'], 14, '0', STR_PAD_LEFT);
        $seen = $this->barcodes[$gtin] ?? null;
        $seen === null || throw Refused::because('twice', "Line {$seen} has this barcode already.");
        $this->barcodes[$gtin] = $line;
        $holder = $holders[$gtin] ?? $row->values['code'];
        is_string($holder) && mb_strtolower($holder) !== mb_strtolower((string) $row->values['code'])
            && throw Refused::because('barcode_taken', "{$holder} has this barcode.");
    }
}
