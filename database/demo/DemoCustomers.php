<?php

declare(strict_types=1);

namespace Elmstone\Demo;

use Brick\Math\RoundingMode;
use Carbon\CarbonImmutable;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Receivables\TermsKind;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerType;
use Elmstone\Customers\Drafts\ContactDraft;
use Elmstone\Customers\Drafts\CustomerDraft;
use Elmstone\Customers\PriceLevel;
use Elmstone\Customers\SaveCustomer;
use Elmstone\Receivables\Accounts\AccountTerms;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Accounts\ManageAccount;
use Elmstone\Receivables\Statements\StatementKind;
use Elmstone\Receivables\Statements\StatementWay;
use Elmstone\Staff\Role;
use Elmstone\Staff\Staff;
use Elmstone\Support\Casts\MoneyCast;
use Illuminate\Support\Facades\DB;

/** The 160 customers of the demonstration shop, 45 of them with house accounts. All made up. */
final class DemoCustomers
{
    public const CUSTOMERS = 160;

    public const ACCOUNTS = 45;

    /** Those with a story of their own; the rest is made up by chance. */
    public const QUILLFEATHER = 'Quillfeather Joinery';

    public const AT_LIMIT = 'Moss & Daughter Tiling';

    public const ON_STOP = 'Brackwater Plumbing';

    public const EXEMPT_RUN_OUT = 'Harrow Falls Chapel Trust';

    public const CREDIT_UNUSED = 'Tallow & Wick Stoves';

    public const CONTRACT = 'Thistledown Roofing';

    private const SPECIAL = [
        self::QUILLFEATHER,
        self::AT_LIMIT,
        self::ON_STOP,
        self::EXEMPT_RUN_OUT,
        self::CREDIT_UNUSED,
        self::CONTRACT,
    ];

    private const FIRST = [
        'Petra', 'Alden', 'Bryony', 'Corwin', 'Delphine', 'Emrys', 'Fenella', 'Garrick', 'Hollis', 'Isolde', 'Jarvis',
        'Keziah', 'Lorcan', 'Mabel', 'Nerys', 'Osric', 'Perrin', 'Rowena', 'Silas', 'Tamsin', 'Ulric', 'Verity',
        'Wystan', 'Yestin',
    ];

    private const LAST = [
        'Ashlock', 'Birchwater', 'Cobblestone', 'Dunmarrow', 'Elderfen', 'Fallowmere', 'Greywether', 'Hawkridge',
        'Inkpenn', 'Jessamy', 'Kettlewick', 'Larkmoor', 'Mossgrove', 'Nettlefold', 'Oakhanger', 'Pennyroyal',
        'Quarrington', 'Rookhope', 'Sedgewick', 'Thornaby', 'Underhay', 'Vexley', 'Wetherlam', 'Yarrowby',
    ];

    private const TRADES = [
        'Tiling', 'Plumbing', 'Joinery', 'Roofing', 'Masonry', 'Kitchens', 'Heating', 'Paving', 'Plastering',
        'Restoration', 'Bathrooms', 'Groundworks',
    ];

    private const STREETS = [
        'Tannery Row', 'Mill Lane', 'Cooper’s Yard', 'Fullers Walk', 'Slate Street', 'Lower Quay', 'Kiln Road',
        'Ropewalk', 'Saddler’s Court', 'Weir Side',
    ];

    private const TOWNS = ['Harrow Falls', 'Pell Bridge', 'Overmarsh', 'Stonehythe', 'Little Tarn'];

    /** @var array<string, int> names given so far */
    private array $names = [];

    public function __construct(
        private readonly Chance $chance,
        private readonly CarbonImmutable $today,
        private readonly SaveCustomer $save,
        private readonly ManageAccount $manage,
    ) {
    }

    public function build(): void
    {
        $office = Staff::query()->where('role', Role::Office)->firstOrFail();
        $types = $this->types();

        for ($i = 0; $i < self::CUSTOMERS; $i++) {
            $isAccount = $i < self::ACCOUNTS;
            $customer = $this->customer($i, $isAccount, $types, $office);

            if ($isAccount) {
                $this->account($customer, $office);
            }
        }

        $this->stories($office);
    }

    /** @return array<string, int> */
    private function types(): array
    {
        $trade = PriceLevel::query()->create(['name' => 'trade', 'percent_off' => '6']);
        $contract = PriceLevel::query()->create(['name' => 'large trade', 'percent_off' => '9']);
        $types = [
            'Trade' => ['price_level_id' => $trade->id, 'discount_percent' => null],
            'Large trade' => ['price_level_id' => $contract->id, 'discount_percent' => '2'],
            'Public body' => ['price_level_id' => null, 'discount_percent' => '3'],
            'Private' => ['price_level_id' => null, 'discount_percent' => null],
        ];
        $prices = [];

        foreach (
            Item::query()
                ->where('code', 'like', 'PI%')
                ->orWhere('code', 'like', 'VA%')
                ->get(['id', 'list_price']) as $item
        ) {
            $prices[] = [
                'item_id' => $item->id,
                'price_level_id' => $trade->id,
                'price' => (string) $item->list_price->value
                    ->multipliedBy('0.92')
                    ->toScale(2, RoundingMode::DOWN),
            ];
        }

        DB::table('level_prices')->insert($prices);

        foreach ($types as $name => $columns) {
            CustomerType::query()->create(['name' => $name, ...$columns]);
        }

        return CustomerType::query()->pluck('id', 'name')->all();
    }

    /** @param  array<string, int>  $types */
    private function customer(int $i, bool $isAccount, array $types, Staff $by): Customer
    {
        $isFirm = $isAccount || $this->chance->in(35);
        $name = self::SPECIAL[$i] ?? $this->name($isFirm);
        $slug = trim(preg_replace('/[^a-z]+/', '.', mb_strtolower($name)) ?? '', '.');

        return $this->save->handle(
            null,
            new CustomerDraft(
                [
                    'name' => $name,
                    'kind' => $isFirm ? 'firm' : 'person',
                    'phone' => sprintf('555 %04d', 1000 + $i * 7),
                    'mail' => $this->chance->in($isAccount ? 90 : 55) ? "{$slug}@example.com" : '',
                    'street' => $this->chance->between(1, 140).' '.$this->chance->oneOf(self::STREETS),
                    'postcode' => sprintf('%05d', 40100 + $this->chance->between(0, 60)),
                    'town' => $this->chance->oneOf(self::TOWNS),
                    'customer_type_id' => $types[
                            $isAccount
                                ? ($this->chance->in(25)
                                    ? 'Large trade'
                                    : 'Trade')
                                : ($isFirm
                                    ? 'Trade'
                                    : 'Private')
                        ],
                    'discount_percent' => $isAccount && $this->chance->in(12) ? '4' : null,
                ],
                $isFirm ? $this->contacts() : [],
                tags: $isAccount && $this->chance->in(20) ? ['builder'] : [],
                sureItIsNew: true,
            ),
            $by,
        );
    }

    private function name(bool $isFirm): string
    {
        do {
            $last = $this->chance->oneOf(self::LAST);
            $name = match (true) {
                ! $isFirm => $this->chance->oneOf(self::FIRST)." {$last}",
                $this->chance->in(25) => "{$last} & {$this->chance->oneOf(self::LAST)} {$this->chance->oneOf(
                    self::TRADES,
                )}",
                default => "{$last} {$this->chance->oneOf(self::TRADES)}",
            };
        } while (isset($this->names[$name]));

        $this->names[$name] = 1;

        return $name;
    }

    /** @return list<ContactDraft> */
    private function contacts(): array
    {
        $contacts = [];

        for ($i = 0, $count = $this->chance->between(1, 3); $i < $count; $i++) {
            $contacts[] = new ContactDraft(
                null,
                "{$this->chance->oneOf(self::FIRST)} {$this->chance->oneOf(self::LAST)}",
                '',
                '',
                $i < 2,
                $i === 1 ? MoneyCast::read(50000) : null,
            );
        }

        return $contacts;
    }

    private function account(Customer $customer, Staff $by): void
    {
        $net = $this->chance->oneOf([30, 30, 30, 14, 45]);
        $kind = $this->chance->oneOf([
            TermsKind::Net,
            TermsKind::Net,
            TermsKind::Net,
            TermsKind::AfterMonthEnd,
            TermsKind::DayOfNextMonth,
        ]);
        $this->manage->save(
            $customer,
            new AccountTerms(
                MoneyCast::read($this->chance->oneOf([200000, 300000, 500000, 500000, 800000, 1200000])),
                $customer->name === self::QUILLFEATHER ? TermsKind::Net : $kind,
                $customer->name === self::QUILLFEATHER
                    ? 30
                    : ($kind === TermsKind::Net
                        ? $net
                        : ($kind === TermsKind::AfterMonthEnd
                            ? 10
                            : 20)),
                $kind === TermsKind::Net && $this->chance->in(30) ? '2' : null,
                10,
                15,
                $this->chance->in(20),
                $this->chance->in(70) ? StatementKind::OpenItem : StatementKind::BalanceForward,
                $customer->mail === ''
                    ? StatementWay::Print
                    : ($this->chance->in(60)
                        ? StatementWay::Mail
                        : StatementWay::Print),
                $this->chance->in(80),
            ),
            'opened on application',
            $by,
            null,
        );
        // Opened before the history begins.
        HouseAccount::query()
            ->whereKey($customer->id)
            ->update(['opened_on' => $this->today->subMonths(DemoHouse::MONTHS)->subDays(10)]);
    }

    /** What is special about some of them. */
    private function stories(Staff $by): void
    {
        $one = static fn (string $name): Customer => Customer::query()->where('name', $name)->firstOrFail();
        $quillfeather = $one(self::QUILLFEATHER);
        $quillfeather->contacts()->delete();
        $quillfeather
            ->contacts()
            ->createMany([
                ['name' => 'Petra Quillfeather', 'phone' => '555 2219', 'may_buy' => true],
                ['name' => 'Odo Larkmoor', 'may_buy' => true, 'spending_limit' => MoneyCast::read(25000)],
                ['name' => 'Wilf Jessamy', 'may_buy' => false],
            ]);
        $this->save->handle($quillfeather, new CustomerDraft([]), $by);
        $quillfeather
            ->notes()
            ->create(['staff_id' => $by->id, 'text' => 'Loading bay closes at four on Fridays.', 'at_counter' => true]);
        $valve = Item::query()->where('code', 'VA-2214')->first();

        foreach ([self::QUILLFEATHER, self::CONTRACT] as $name) {
            if ($valve !== null) {
                $one($name)
                    ->contractPrices()
                    ->create([
                        'item_id' => $valve->id,
                        'price' => '29.50',
                        'from_date' => $this->today->subMonths(2),
                        'until_date' => $this->today->addDays(38),
                    ]);
            }
        }

        $this->save->handle(
            $one(self::EXEMPT_RUN_OUT),
            new CustomerDraft([
                'exempt' => ['*'],
                'certificate' => 'HFC-20417',
                'certificate_expires' => $this->today->subDays(12),
            ]),
            $by,
        );
        $this->save->handle(
            $one(self::CONTRACT),
            new CustomerDraft([
                'exempt' => ['county'],
                'certificate' => 'CTY-88120',
                'certificate_expires' => $this->today->addMonths(7),
            ]),
            $by,
        );
        $one(self::ON_STOP)
            ->notes()
            ->create([
                'staff_id' => $by->id,
                'text' => 'Ask for cash until the office has heard from them.',
                'at_counter' => true,
            ]);
    }
}
