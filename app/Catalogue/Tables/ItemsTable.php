<?php

declare(strict_types=1);

namespace Elmstone\Catalogue\Tables;

use Elmstone\Catalogue\Words;
use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Staff;
use Elmstone\Support\Tables\BringsIn;
use Elmstone\Support\Tables\ChangedMeanwhile;
use Elmstone\Support\Tables\ImportReport;
use Illuminate\Contracts\Auth\Factory;
use Illuminate\Support\Facades\DB;

/** Items as a table: codes, barcodes, prices and costs. */
final readonly class ItemsTable implements BringsIn
{
    private const AT_ONCE = 1000;

    public function __construct(private ItemRows $read, private Factory $auth)
    {
    }

    public function key(): string
    {
        return 'items';
    }

    public function title(): string
    {
        return 'Items';
    }

    public function abilities(): array
    {
        return ['edit-items', 'edit-prices'];
    }

    public function words(): string
    {
        return 'A row whose code there is changes that item, any other makes a new one. An empty cell leaves what '
            .'there is; a dash alone empties it. The cost of goods that are on hand is not changed from here: it is '
            .'what was paid for them.';
    }

    public function columns(): array
    {
        return ItemRows::COLUMNS;
    }

    public function needed(): array
    {
        return ['code'];
    }

    public function most(): int
    {
        return 100_000;
    }

    public function example(): array
    {
        return [[
            'HM-0500', '4006381333931', 'Claw hammer 500 g', 'tools', 'each', '1', '18.90', '15.00', '9.4500',
            'standard', 'yes', 'no', 'yes', 'no', 'no', 'A 12', '0.720', 'Comes with a spare wedge',
        ]];
    }

    public function rows(): iterable
    {
        $departments = DB::table('departments')->pluck('code', 'id');

        foreach (DB::table('items')->orderBy('id')->lazyById(self::AT_ONCE) as $item) {
            yield $this->read->written($item, (string) $departments[(int) $item->department_id]);
        }
    }

    public function check(iterable $rows, ImportReport $report): void
    {
        $this->each($rows, static function (int $line, ItemRow|Refused $row, string $code) use ($report): void {
            if ($row instanceof Refused) {
                $report->complain($line, $code, $row->getMessage());

                return;
            }

            $changes = $row->changes();
            $report->fine($row->id !== null, $row->id !== null && $changes === []);
            $row->id !== null && $changes !== [] && $report->changes($line, $code, $changes);
        });
    }

    public function write(iterable $rows, string $digest, callable $brought): void
    {
        $by = $this->auth->guard()->user();
        $staff = $by instanceof Staff ? $by->id : throw Refused::because('nobody', 'Nobody is signed in.');
        $waiting = [];
        $this->each($rows, function (int $line, ItemRow|Refused $row) use (&$waiting, $staff, $brought): void {
            if ($row instanceof Refused) {
                throw ChangedMeanwhile::at($line, $row);
            }

            $waiting[] = $row;

            if (count($waiting) === self::AT_ONCE) {
                $this->keep($waiting, $staff);
                $brought(count($waiting));
                $waiting = [];
            }
        });
        $this->keep($waiting, $staff);
    }

    /**
     * @param  iterable<int, array<string, string>>  $rows
     * @param  callable(int, ItemRow|Refused, string): void  $take
     */
    private function each(iterable $rows, callable $take): void
    {
        $this->read->begin();
        $some = [];

        foreach ($rows as $line => $row) {
            $some[$line] = $row;

            if (count($some) === self::AT_ONCE) {
                $this->read->some($some, $take);
                $some = [];
            }
        }

        $this->read->some($some, $take);
    }

    /** @param  list<ItemRow>  $rows */
    private function keep(array $rows, int $staff): void
    {
        $new = array_values(array_filter($rows, static fn (ItemRow $row): bool => $row->id === null));
        $changed = array_values(array_filter(
            $rows,
            static fn (ItemRow $row): bool => $row->id !== null && $row->changes() !== [],
        ));
        $now = now()->format('Y-m-d H:i:s');

        foreach (array_chunk($new, 500) as $some) {
            DB::table('items')->insert(array_map(
                static fn (ItemRow $row): array => [...$row->values, 'created_at' => $now, 'updated_at' => $now],
                $some,
            ));
        }

        // A barcode may go from one item to another: first it is nobody's.
        $moved = array_filter($changed, static fn (ItemRow $row): bool => $row->changesBarcode());
        $moved === [] || DB::table('items')->whereIn('id', array_column($moved, 'id'))->update(['barcode' => null]);

        foreach ($changed as $row) {
            DB::table('items')->where('id', $row->id)->update([...$row->values, 'updated_at' => $now]);
        }

        $ids = DB::table('items')->whereIn('code', array_map(
            static fn (ItemRow $row): string => (string) $row->values['code'],
            [...$new, ...$changed],
        ))->pluck('id', 'code')->all();
        $texts = [];
        $prices = [];

        foreach ([...$new, ...$changed] as $row) {
            $id = (int) $ids[(string) $row->values['code']];
            $row->changesDescription() && $texts[$id] = (string) $row->values['description'];

            foreach ($row->prices() as [$field, $was, $became]) {
                $prices[] = [
                    'item_id' => $id, 'staff_id' => $staff, 'field' => $field, 'was' => $was, 'became' => $became,
                ];
            }
        }

        $texts === [] || Words::index($texts);

        foreach (array_chunk($prices, 2000) as $some) {
            DB::table('price_changes')->insert($some);
        }
    }
}
