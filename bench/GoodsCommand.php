<?php

declare(strict_types=1);

namespace Elmstone\Bench;

use Closure;
use Elmstone\Cards\CardSurcharge;
use Elmstone\Catalogue\Families\Family;
use Elmstone\Catalogue\Families\FamilyDraft;
use Elmstone\Catalogue\Families\MakeFamily;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Markdowns\Proposals;
use Elmstone\Catalogue\Markdowns\Steps;
use Elmstone\Catalogue\Markdowns\TakeMarkdowns;
use Elmstone\Catalogue\Tables\ItemsTable;
use Elmstone\Core\Catalogue\Gtin;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Pricing\MarkdownStep;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerKind;
use Elmstone\Customers\Drafts\CustomerDraft;
use Elmstone\Customers\SaveCustomer;
use Elmstone\Devices\Simulated\SimulatedTerminal;
use Elmstone\Interchange\CsvRows;
use Elmstone\Labels\Label;
use Elmstone\Labels\LabelPdf;
use Elmstone\Labels\LabelSize;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Elmstone\Support\ShopTime;
use Elmstone\Support\Tables\ImportReport;
use Elmstone\Takings\PostTakings;
use Elmstone\Takings\TakingsReport;
use Elmstone\Takings\TakingsTable;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use RuntimeException;

/** A shop of many items: the morning's markdowns, a family's grid, labels, and a sale with what hangs on it. */
final class GoodsCommand extends Command
{
    protected $signature = 'bench:goods {--address=} {--items=200000} {--rounds=80}';

    protected $description = 'Measure markdowns, families, labels, what hangs on a sale, takings';

    /** Seconds. */
    private const NIGHT = 30;

    private const TAKINGS = 1_000;

    private const BROUGHT_IN = 100_000;

    /** @var list<array{string, Timings, string}> what, how long, aim */
    private array $rows = [];

    public function handle(
        Stock200k $shop,
        House $house,
        Proposals $proposals,
        TakeMarkdowns $take,
        MakeFamily $make,
        SaveCustomer $save,
        TakingsTable $table,
        PostTakings $post,
        ItemsTable $items,
    ): int {
        $this->line('building the shop');
        $shop->build((int) $this->option('items'), 500);
        $by = Staff::query()->where('number', '301')->sole();
        $this->age();
        $this->markdowns($proposals, $take, $by);
        $clerk = Browser::of($this);
        $clerk->signIn('301', 1);
        $family = $this->family($make, $by);
        $this->grid($clerk, $family);
        $this->sales($clerk, [$this->customer($save, $by, 'Plain'), $this->member($save, $by)]);
        $this->takings($house, $table, $post, $by);
        $this->labels($house);
        $this->items($items, $by);
        $many = number_format((int) $this->option('items'));
        Sheet::write($this, 'goods', "{$many} items, all of them old", $this->rows);

        return self::SUCCESS;
    }

    /** All of it came in between one and two hundred days ago. */
    private function age(): void
    {
        DB::statement(
            'INSERT INTO stock_movements (item_id, location_id, quantity, unit_cost, value, why, document_id, '
                ."business_date) SELECT id, 1, 20, 0.5, 0, 'delivery', NULL, "
                ."DATE_SUB(CURDATE(), INTERVAL 1 + id % 200 DAY) FROM items WHERE code LIKE 'B%'",
        );
        DB::statement('ANALYZE TABLE items, stock, stock_movements');
        Steps::keep(1, array_map(
            static fn (int $after, string $percent): MarkdownStep => new MarkdownStep($after, Percentage::of($percent)),
            [1, 60, 120],
            ['5', '15', '30'],
        ));
    }

    private function markdowns(Proposals $proposals, TakeMarkdowns $take, Staff $by): void
    {
        [$first, $taken, $after] = [new Timings, new Timings, new Timings];
        $first->time(static fn () => $proposals->anew());
        $count = Proposals::waiting();
        $taken->time(static fn () => $take->handle(Proposals::version(), 0, [], $by));
        // A night lies between: the database has swept up what the act left.
        sleep(self::NIGHT);
        $after->time(static fn () => $proposals->anew());
        array_push(
            $this->rows,
            [sprintf('The morning: %s prices worked out and listed', number_format($count)), $first, 'under 5,000'],
            ['The same taken in one act', $taken, ''],
            ['The next morning, nothing new', $after, 'under 5,000'],
        );
    }

    private function family(MakeFamily $make, Staff $by): Family
    {
        $values = static fn (string $word, int $many): array => array_map(
            static fn (int $i): string => "{$word} {$i}",
            range(1, $many),
        );
        $timing = new Timings;
        $family = $timing->time(static fn (): Family => $make->handle(
            new FamilyDraft('BENCH', 'Measured tile', 1, 'colour', $values('colour', 20), 'size', $values('size', 10), [
                'unit' => 'each', 'price_per' => 1, 'list_price' => '4.20', 'cost' => '2', 'tax_class' => 'standard',
            ]),
            $by,
        ));
        DB::statement(
            'INSERT INTO stock (item_id, location_id, on_hand, committed) SELECT i.id, l.id, 20, i.id % 4 '
                .'FROM items i, locations l WHERE i.family_id = ?',
            [$family->id],
        );
        $this->rows[] = ['A family of 200 items made', $timing, ''];

        return $family;
    }

    private function grid(Browser $clerk, Family $family): void
    {
        [$empty, $page, $counter, $found] = [new Timings, new Timings, new Timings, new Timings];
        $slip = (string) Str::uuid();

        for ($round = 0; $round < (int) $this->option('rounds'); $round++) {
            $empty->time(static fn (): string => $clerk->get('/up'));
            $page->time(static fn (): string => $clerk->get("/families/{$family->code}"));
            $counter->time(static fn (): string => $clerk->fetch("/counter/{$slip}/look?family={$family->id}"));
            $found->time(static fn (): string => $clerk->fetch("/counter/{$slip}/find?q=measured"));
        }

        array_push(
            $this->rows,
            ['floor: an empty route', $empty, ''],
            ['A family’s grid of 200 cells, its page', $page, 'p95 under 60'],
            ['The same at the counter, with prices', $counter, 'p95 under 60'],
            ['The entry line finds the family', $found, ''],
        );
    }

    /** @param  array{int, int}  $customers one who collects no points, one who does */
    private function sales(Browser $clerk, array $customers): void
    {
        DB::table('shop')->update(['rewards' => json_encode(
            ['per_unit' => '1', 'threshold' => 100, 'reward' => '5.00', 'months' => null],
        )]);
        $theirs = $this->consigned();
        SimulatedTerminal::put(Till::query()->findOrFail(1), 0);
        [$plain, $all] = [new Timings, new Timings];

        for ($round = 0; $round < (int) $this->option('rounds'); $round++) {
            DB::table('card_surcharges')->delete();
            $plain->time($this->sale($clerk, $customers[0], 'LH-1140'));
            CardSurcharge::query()->create(['location_id' => 1, 'card_type' => 'credit', 'percent' => '2.5']);
            $all->time($this->sale($clerk, $customers[1], $theirs));
        }

        array_push(
            $this->rows,
            ['Posting a sale of two lines, paid by card', $plain, ''],
            [
                sprintf('The same with surcharge, rewards and goods of an owner, %.2f times', $all->sum()
                    / $plain->sum()),
                $all,
                '1.15 times',
            ],
        );
    }

    /** @return string the code of something that belongs to an owner */
    private function consigned(): string
    {
        $owner = DB::table('suppliers')->insertGetId([
            'code' => 'OWNER', 'name' => 'Whose it is', 'version' => 1, 'owner_percent' => '60',
        ]);
        DB::table('items')->where('code', 'AD-0207')->update([
            'owner_id' => $owner, 'owner_percent' => '60', 'cost' => 0,
        ]);

        return 'AD-0207';
    }

    /** A hundred thousand items from a file: looked at, brought in, and the same file looked at once more. */
    private function items(ItemsTable $table, Staff $by): void
    {
        auth()->setUser($by);
        $lines = ['code,description,department,list_price,cost,tax_class,barcode'];
        $department = (string) DB::table('departments')->value('code');

        for ($i = 1; $i <= self::BROUGHT_IN; $i++) {
            $body = sprintf('20%010d', $i);
            $words = ['hook', 'pipe', 'valve', 'board', 'screw'][$i % 5].' '.($i % 97 + 3).'x'.($i % 41 + 5);
            $lines[] = "BR-{$i},Brought in {$words} no {$i},{$department},".(1 + $i % 900).'.95,0.40,standard,'
                .$body.Gtin::checkDigit($body);
        }

        $csv = implode("\n", $lines);
        [$looks, $brings, $again] = [new Timings, new Timings, new Timings];
        $looks->time(static fn () => $table->check((new CsvRows($csv))->rows(), new ImportReport));
        $brings->time(static fn () => DB::transaction(
            static fn () => $table->write((new CsvRows($csv))->rows(), 'bench', static fn (): null => null),
        ));
        $again->time(static fn () => $table->check((new CsvRows($csv))->rows(), new ImportReport));
        array_push(
            $this->rows,
            ['A hundred thousand items from a file looked at', $looks, ''],
            ['The same brought in', $brings, 'both under 120,000'],
            ['The same file looked at again', $again, ''],
        );
    }

    /** A thousand rows of takings, each a sale of its own. */
    private function takings(House $house, TakingsTable $table, PostTakings $post, Staff $by): void
    {
        [$check, $posts] = [new Timings, new Timings];
        $till = Till::query()->with('location.taxProfile.components')->findOrFail(1);
        $department = (string) DB::table('departments')->value('code');
        $rows = [];

        for ($i = 1; $i <= self::TAKINGS; $i++) {
            $rows[$i + 1] = [
                'number' => "B-{$i}", 'who' => "Somebody {$i}", 'item' => $i % 3 === 0 ? '' : 'LH-1140',
                'department' => $department, 'quantity' => '2', 'price' => '4.24', 'tax' => 'with', 'tender' => 'cash',
            ];
        }

        $report = $check->time(static fn (): TakingsReport => $table->read($rows, 'today', $till->location, $by));
        $read = $report->rows === [] ? throw new RuntimeException('No row was read.') : $report->rows;
        $posts->time(static fn (): int => $post->handle($read, null, false, $till, $by, (string) Str::uuid()));
        array_push(
            $this->rows,
            ['A thousand rows of takings checked', $check, ''],
            ['The same posted, a document for each', $posts, 'under 20,000'],
        );
    }

    /** @return Closure(): string posts it */
    private function sale(Browser $clerk, int $customer, string $item): Closure
    {
        $slip = (string) Str::uuid();
        $clerk->get("/counter/{$slip}");
        $do = static fn (string $act, array $fields): string => $clerk->post(
            "/counter/{$slip}/{$act}",
            [...$fields, 'act' => (string) Str::uuid()],
        );
        $do('customer', ['customer' => (string) $customer]);
        $do('add', ['entry' => $item]);
        $do('add', ['entry' => '2 x LH-1141']);
        $page = $do('card', []);
        preg_match('~/card/(\d+)/confirm~', $page, $read) === 1
            && ($page = $do("card/{$read[1]}/confirm", []));
        preg_match('/data-version="(\d+)"/', $page, $found);

        return static function () use ($do, $found): string {
            $answer = $do('post', ['version' => $found[1] ?? '']);
            str_contains($answer, 'Posted as') || throw new RuntimeException('The sale was not posted.');

            return $answer;
        };
    }

    private function member(SaveCustomer $save, Staff $by): int
    {
        $id = $this->customer($save, $by, 'Collector');
        Customer::query()->whereKey($id)->update(['rewards_on' => ShopTime::today()]);

        return $id;
    }

    private function customer(SaveCustomer $save, Staff $by, string $name): int
    {
        return $save->handle(null, new CustomerDraft(
            ['name' => $name, 'kind' => CustomerKind::Person->value],
            sureItIsNew: true,
        ), $by)->id;
    }

    private function labels(House $house): void
    {
        $timing = new Timings;
        $items = Item::query()->with(['breaks', 'promotions'])->orderBy('id')->limit(240)->get();
        $timing->time(static fn (): string => LabelPdf::of(
            $items->map(static fn (Item $item): array => [Label::of($item, ShopTime::today(), $house), 1])->all(),
            LabelSize::named('a4-24'),
            1,
            $house->currency()->code,
        ));
        $this->rows[] = ['Ten sheets of 24 labels', $timing, ''];
    }
}
