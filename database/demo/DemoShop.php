<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Brick\Math\RoundingMode;
use Carbon\CarbonImmutable;
use Elmstone\Books\Accounts;
use Elmstone\Catalogue\Belongings;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Words;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Shop\Location;
use Elmstone\Shop\Shop;
use Elmstone\Shop\TaxProfileRecord;
use Elmstone\Shop\Till;
use Elmstone\Staff\Role;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** Tannery Row Builders' Supply in Harrow Falls: settings, people and goods. All made up. */
final class DemoShop
{
    /** Number, name, role; everyone's PIN is 4 and their number. */
    public const STAFF = [
        ['101', 'Ines Aldergate', Role::Clerk],
        ['102', 'Tobin Marrask', Role::Clerk],
        ['103', 'Della Quarrow', Role::Clerk],
        ['104', 'Orrin Thackwell', Role::Clerk],
        ['105', 'Maud Silverbeck', Role::Clerk],
        ['201', 'Hester Vanmorrow', Role::Supervisor],
        ['202', 'Jonas Birkendale', Role::Supervisor],
        ['301', 'Petronel Ashgrove', Role::Office],
        ['901', 'Conrad Tannaroe', Role::Owner],
    ];

    public function __construct(private readonly Chance $chance, private readonly CarbonImmutable $today)
    {
    }

    public function build(): void
    {
        $this->shop();
        $this->places();
        $this->people();
        $this->items();
        Accounts::open();
    }

    private function shop(): void
    {
        Shop::query()->create([
            'loading' => true,
            'opened_at' => $this->today,
            'name' => 'Tannery Row Builders’ Supply',
            'currency' => 'USD',
            'tax_rounding' => 'document',
            'notes' => [500, 1000, 2000, 5000, 10000],
            'country' => 'US',
            'postcode' => '40112',
            'tax_number' => '00-0000000',
            'bank_account' => 'account 00 4410 7719, Harrow Falls Savings',
            'finance_percent' => '1.5',
            'finance_grace_days' => 15,
            'finance_minimum' => Money::of('2.00', Currency::of('USD')),
            'returned_payment_fee' => Money::of('25.00', Currency::of('USD')),
            'receipt_foot' => 'Goods come back within 30 days with this paper.',
        ]);
        DB::table('tax_classes')->insert([
            ['code' => 'standard', 'letter' => 'S', 'name' => 'Standard'],
            ['code' => 'reduced', 'letter' => 'R', 'name' => 'Reduced'],
            ['code' => 'zero', 'letter' => 'Z', 'name' => 'Zero-rated'],
        ]);
    }

    private function places(): void
    {
        $places = [
            ['HF', 'Main counter', '14 Tannery Row', 'Harrow Falls', '555 0140', 'county', 'County tax', '1.50', 3],
            [
                'PB', 'Pell Bridge counter', '2 Mill Lane', 'Pell Bridge', '555 0171', 'county_pb', 'Pell county tax',
                '1.25', 1,
            ],
        ];
        $number = 0;

        foreach ($places as [$code, $name, $street, $town, $phone, $county, $countyName, $rate, $tills]) {
            $profile = TaxProfileRecord::query()->create(['name' => "{$town} taxes"]);
            $profile->components()->createMany([
                [
                    'position' => 1,
                    'code' => 'state',
                    'name' => 'State tax',
                    'rate' => '5.75',
                    'classes' => ['standard'],
                    'on_top_of' => [],
                ],
                [
                    'position' => 2,
                    'code' => $county,
                    'name' => $countyName,
                    'rate' => $rate,
                    'classes' => ['standard', 'reduced'],
                    'on_top_of' => [],
                ],
            ]);
            $location = Location::query()->create([
                'code' => $code,
                'name' => $name,
                'street' => $street,
                'town' => $town,
                'phone' => $phone,
                'tax_profile_id' => $profile->id,
                'closed_through' => $this->today->subDays(4),
            ]);

            for ($i = 0; $i < $tills; $i++) {
                $number++;
                Till::query()->create([
                    'location_id' => $location->id,
                    'number' => $number,
                    'name' => "Till {$number}",
                ]);
            }
        }
    }

    private function people(): void
    {
        foreach (self::STAFF as [$number, $name, $role]) {
            Staff::query()->create([
                'number' => $number,
                'name' => $name,
                'role' => $role,
                // Everybody knows them: nothing is gained by making them slow to try.
                'pin_hash' => Hash::make("4{$number}", ['rounds' => 4]),
            ]);
        }
    }

    private function items(): void
    {
        $departments = [];

        foreach (DemoItems::DEPARTMENTS as $code => $name) {
            $departments[$code] = DB::table('departments')->insertGetId(['code' => $code, 'name' => $name]);
        }

        $rows = array_map(static function (array $item) use ($departments): array {
            $item['department_id'] = $departments[$item['department']];
            unset($item['department']);

            return [...$item, 'created_at' => now(), 'updated_at' => now()];
        }, (new DemoItems($this->chance))->all());

        foreach (array_chunk($rows, 300) as $chunk) {
            DB::table('items')->insert($chunk);
        }

        Words::index(
            Item::query()->get()->mapWithKeys(
                static fn (Item $item): array => [$item->id => $item->description],
            )->all(),
        );
        (new DemoFamilies)->build();
        $this->prices();
        $this->words();
    }

    /** What whoever sells some of them should know, and what goes with them. */
    private function words(): void
    {
        foreach (DemoItems::WORDS as $code => [$words, $belongings]) {
            $item = Item::query()->where('code', $code)->firstOrFail();
            $item->update(['clerk_words' => $words]);
            Belongings::keep($item, Belongings::named($belongings, $code));
        }
    }

    /** Quantity prices on fixings and fittings, a few promotions. */
    private function prices(): void
    {
        $breaks = [];
        $promotions = [];

        foreach (Item::query()->orderBy('id')->get() as $item) {
            $cents = $item->list_price->value->multipliedBy(100)->toScale(0, RoundingMode::DOWN)->toInt();
            $start = str_starts_with($item->code, 'FX')
                ? 500
                : (str_starts_with($item->code, 'PF') || str_starts_with($item->code, 'TI')
                    ? 25
                    : 0);

            if ($start > 0 && $this->chance->in(60)) {
                $breaks[] = [
                    'item_id' => $item->id,
                    'from_quantity' => $start,
                    'price' => DemoItems::decimal(intdiv($cents * 93, 100)),
                ];
                $breaks[] = [
                    'item_id' => $item->id,
                    'from_quantity' => $start * 4,
                    'price' => DemoItems::decimal(intdiv($cents * 88, 100)),
                ];
            }

            if ($this->chance->in(3)) {
                $promotions[] = [
                    'item_id' => $item->id,
                    'name' => 'Autumn offer',
                    'price' => DemoItems::decimal(intdiv($cents * 90, 100)),
                    'from_date' => $this->today->subDays(20)->toDateString(),
                    'until_date' => $this->today->addDays(25)->toDateString(),
                ];
            }
        }

        DB::table('quantity_breaks')->insert($breaks);
        DB::table('promotions')->insert($promotions);
    }
}
