<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Agreements\AgreementMoney;
use Elmstone\Agreements\LineChange;
use Elmstone\Books\Document;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Proof\Prove;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Parts\Back\BringBack;
use Elmstone\Counter\Parts\HoldSlip;
use Elmstone\Counter\Parts\PayLayaway;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Settle\ChargeSlip;
use Elmstone\Counter\Settle\ChooseRefund;
use Elmstone\Counter\Settle\CountTender;
use Elmstone\Counter\Settle\ReckonedCounter;
use Elmstone\Counter\Slip\Act;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Counter\Slip\SlipDesk;
use Elmstone\Customers\Customer;
use Elmstone\Layaways\CancelLayaway;
use Elmstone\Layaways\CancelOrder;
use Elmstone\Layaways\ChangeLayaway;
use Elmstone\Layaways\Layaway;
use Elmstone\MoneyOut\Plan;
use Elmstone\Receivables\Ageing\AgesNow;
use Elmstone\Receivables\Ageing\AsOf;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Payments\SpreadCredit;
use Elmstone\Returns\ReturnReason;
use Elmstone\Returns\WriteOff;
use Elmstone\Returns\WriteOffLine;
use Elmstone\Returns\WriteOffReason;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Staff\Role;
use Elmstone\Staff\Staff;
use Elmstone\Stock\BringIn;
use Elmstone\Stock\Incoming;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Everything at once: eight tills sell, exchange, take back, set aside, hand over, cancel, charge, move credits and
 * bring in the same few goods. None waits in a circle.
 */
final class MixedRaceTest extends RaceCase
{
    use OrderActs;

    private const SEED = 20261125;

    /** Acts of each till; ELMSTONE_RACE_ACTS says otherwise. */
    private const ACTS = 24;

    private const GOODS = ['LH-1140', 'LH-1141', 'PI-2800', 'WA-0001'];

    private Randomizer $chance;

    private Staff $by;

    private Till $till;

    public function test_all_acts_at_once_fail_none_and_leave_the_books_right(): void
    {
        $acts = (int) (getenv('ELMSTONE_RACE_ACTS') ?: self::ACTS);
        $seed = (int) (getenv('ELMSTONE_SEED') ?: self::SEED);
        fwrite(STDERR, "mixed race: seed {$seed}, ".self::TILLS." tills, {$acts} acts each\n");
        $customers = [
            $this->account('100000.00', 'Firm One')->id,
            $this->account('100000.00', 'Firm Two')->id,
            $this->account('100000.00', 'Firm Three')->id,
        ];
        DB::table('customers')->update(['phone' => '555 0100']);

        for ($number = 0; $number < self::TILLS; $number++) {
            Staff::query()->create([
                'number' => (string) (911 + $number),
                'name' => "Owner {$number}",
                'role' => Role::Owner,
                'pin_hash' => '',
            ]);
        }

        $this->aSupplier();
        Scene::stock(array_values(Item::query()->get()->all()), 1000);
        Scene::stock(array_values(Item::query()->get()->all()), 1000, 3);
        $this->begun($customers);
        $done = tempnam(sys_get_temp_dir(), 'done') ?: '';
        $before = self::deadlocks();

        $this->atOnce(function (int $number) use ($acts, $seed, $customers, $done): void {
            $this->chance = new Randomizer(new Mt19937($seed + $number));
            $this->by = $this->staff((string) (911 + $number));
            $this->till = Till::query()
                ->with('location.taxProfile.components')
                ->findOrFail($number % 4 === 3 ? 3 : 1);

            for ($i = 0; $i < $acts; $i++) {
                app()->forgetScopedInstances();
                $name = $this->pick([
                    'sale', 'sale', 'exchange', 'exchange', 'back', 'hold', 'instalment', 'complete', 'cancel',
                    'change', 'charge', 'moveCredit', 'payIn', 'lorry', 'writeOff', 'ages', 'order', 'order', 'supply',
                    'fetch', 'alter', 'giveUp', 'receive',
                ]);

                try {
                    $this->happens(
                        $name,
                        Customer::query()->with('type.priceLevel')->findOrFail($this->pick($customers)),
                    );
                    file_put_contents($done, "{$name}\n", FILE_APPEND | LOCK_EX);
                } catch (Refused $refused) {
                    file_put_contents($done, "refused {$name} {$refused->rule}\n", FILE_APPEND | LOCK_EX);
                }
            }
        });

        $told = array_count_values(
            array_filter(
                explode("\n", (string) file_get_contents($done)),
                static fn (string $line): bool => $line !== '',
            ),
        );
        unlink($done);
        $this->assertSame($before, self::deadlocks(), 'Two tills waited for each other in a circle.');
        $this->assertSame([], app(Prove::class)->handle()->faults);

        $all = [
            'sale', 'exchange', 'back', 'hold', 'complete', 'cancel', 'charge', 'moveCredit', 'lorry', 'ages', 'order',
            'supply', 'fetch', 'alter', 'receive',
        ];

        foreach ($all as $name) {
            $this->assertArrayHasKey($name, $told, json_encode($told, JSON_THROW_ON_ERROR));
        }
    }

    public function test_one_layaway_cancelled_from_eight_tills_pays_once(): void
    {
        $customer = $this->customer('Wren Hollis', ['phone' => '555 0142'])->load('type.priceLevel');
        [$this->by, $this->till, $this->chance] = [
            $this->staff('901'),
            Till::query()->with('location.taxProfile.components')->findOrFail(1),
            new Randomizer(new Mt19937(1)),
        ];
        $this->hold($customer);
        $layaway = Layaway::query()->firstOrFail();
        $back = Plan::proposed(
            $layaway->standing()->refund,
            AgreementMoney::of($layaway->id, Currency::of('USD'))->left,
        );
        $told = tempnam(sys_get_temp_dir(), 'told') ?: '';
        $this->atOnce(function () use ($layaway, $back, $told): void {
            try {
                $document = app(CancelLayaway::class)->handle(
                    $layaway->id,
                    new CancelOrder($back, 'moves away'),
                    $this->till,
                    $this->by,
                );
                file_put_contents($told, "{$document}\n", FILE_APPEND | LOCK_EX);
            } catch (Refused $refused) {
                file_put_contents($told, "{$refused->rule}\n", FILE_APPEND | LOCK_EX);
            }
        });
        $answers = array_values(
            array_unique(
                array_filter(
                    explode("\n", (string) file_get_contents($told)),
                    static fn (string $line): bool => $line !== '',
                ),
            ),
        );
        unlink($told);
        $this->assertSame(
            [(string) Document::query()->where('kind', 'refund')->sole()->id],
            $answers,
            'All are answered with the one refund.',
        );
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    /**
     * Something to come back, to be paid and to be moved, so that hardly an act finds nothing to do.
     *
     * @param  list<int>  $customers
     */
    private function begun(array $customers): void
    {
        $this->chance = new Randomizer(new Mt19937(1));
        $this->by = $this->staff('911');

        foreach ([1, 3] as $till) {
            $this->till = Till::query()->with('location.taxProfile.components')->findOrFail($till);

            foreach ([...$customers, ...$customers] as $id) {
                $customer = Customer::query()->with('type.priceLevel')->findOrFail($id);
                $this->sale();
                $this->hold($customer);
                $this->charge($customer);
                $this->payIn($customer);
                $this->order($customer);
            }
        }
    }

    private static function deadlocks(): int
    {
        return (int) DB::selectOne("SHOW GLOBAL STATUS LIKE 'Innodb_deadlocks'")?->Value;
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $of
     * @return T
     */
    private function pick(array $of): mixed
    {
        return $of[$this->chance->getInt(0, count($of) - 1)];
    }

    private function mine(?int $version = null): Act
    {
        return new Act((string) Str::uuid(), $this->by, $this->till, $version);
    }

    private function paid(string $slip): void
    {
        $read = app(SlipDesk::class)->read($slip, $this->mine());
        $owed = ReckonedCounter::of($read, app(House::class))->outstanding();
        $read = $owed->isPositive()
            ? app(CountTender::class)->cash($slip, $this->mine(), Money::of('2000.00', Currency::of('USD')))
            : $read;
        $owed->isNegative() && ($read = app(ChooseRefund::class)->rest($slip, $this->mine(), TenderKind::Cash));
        app(PostSale::class)->handle($slip, $this->mine($read->version));
    }

    private function goods(string $slip): void
    {
        foreach ($this->chance->shuffleArray(array_slice(self::GOODS, 0, $this->chance->getInt(1, 4))) as $code) {
            app(AddToSlip::class)->handle($slip, $this->mine(), "{$this->chance->getInt(1, 2)} x {$code}");
        }
    }

    private function happens(string $name, Customer $customer): void
    {
        match ($name) {
            'sale' => $this->sale(),
            'exchange' => $this->exchange(),
            'back' => $this->back(),
            'hold' => $this->hold($customer),
            'instalment' => $this->instalment(),
            'complete' => $this->complete(),
            'cancel' => $this->cancel(),
            'change' => $this->change(),
            'charge' => $this->charge($customer),
            'moveCredit' => $this->moveCredit($customer),
            'payIn' => $this->payIn($customer),
            'lorry' => $this->lorry(),
            'order' => $this->order($customer),
            'supply' => $this->supply(),
            'fetch' => $this->fetch(),
            'alter' => $this->alter(),
            'giveUp' => $this->giveUp(),
            'receive' => $this->receive(),
            'ages' => new AgesNow(app(AsOf::class), app(House::class), ShopTime::today()),
            default => $this->writeOff(),
        };
    }

    private function sale(): void
    {
        $slip = (string) Str::uuid();
        $this->goods($slip);
        $this->paid($slip);
    }

    private function bringBack(string $slip): void
    {
        $sale = Document::query()
            ->where('kind', 'invoice')
            ->where('purpose', 'sale')
            ->where('location_id', $this->till->location_id)
            ->whereNull('customer_id')
            ->inRandomOrder()
            ->first() ?? throw Refused::because('none', '');
        $line = DB::table('document_lines')->where('document_id', $sale->id)->inRandomOrder()->first();
        app(BringBack::class)->lines(
            $slip,
            $this->mine(),
            ["{$sale->id}:{$line?->position}" => '1'],
            ReturnReason::NotNeeded,
            null,
            $sale->label,
        );
    }

    private function exchange(): void
    {
        $slip = (string) Str::uuid();
        $this->bringBack($slip);
        $this->goods($slip);
        $this->paid($slip);
    }

    private function back(): void
    {
        $slip = (string) Str::uuid();
        $this->bringBack($slip);
        $read = app(ChooseRefund::class)->rest($slip, $this->mine(), TenderKind::Cash);
        app(PostSale::class)->handle($slip, $this->mine($read->version));
    }

    private function hold(Customer $customer): void
    {
        $slip = (string) Str::uuid();
        app(PutCustomer::class)->handle($slip, $this->mine(), $customer);
        $this->goods($slip);
        app(AddToSlip::class)->handle($slip, $this->mine(), '2 x PI-2800');
        app(HoldSlip::class)->begin($slip, $this->mine(), Money::of('15.00', Currency::of('USD')));
        $this->paid($slip);
    }

    private function anyLayaway(): Layaway
    {
        return Layaway::query()
            ->with('customer.type.priceLevel')
            ->whereIn('state', ['running', 'ready'])
            ->inRandomOrder()
            ->first() ?? throw Refused::because('none', '');
    }

    private function instalment(): void
    {
        $slip = (string) Str::uuid();
        app(PayLayaway::class)->add($slip, $this->mine(), $this->anyLayaway());
        $this->paid($slip);
    }

    /** Several layaways and a sale in one visit. */
    private function complete(): void
    {
        $slip = (string) Str::uuid();
        $layaway = $this->anyLayaway();
        app(PayLayaway::class)->add($slip, $this->mine(), $layaway);
        $layaway->remaining()->isPositive()
            && app(PayLayaway::class)->amount(
                $slip,
                $this->mine(),
                $layaway->id,
                $layaway->remaining(),
            );
        app(PayLayaway::class)->leaves($slip, $this->mine(), $layaway->id, true);
        $this->chance->getInt(0, 1) === 1 && $this->goods($slip);
        $this->paid($slip);
    }

    private function cancel(): void
    {
        $layaway = $this->anyLayaway();
        $refund = $layaway->standing()->refund;
        $keep = $this->chance->getInt(0, 1) === 1;
        $back = $keep
            ? [TenderKind::DepositHeld->value => $refund]
            : Plan::proposed($refund, AgreementMoney::of($layaway->id, Currency::of('USD'))->left);
        app(CancelLayaway::class)->handle($layaway->id, new CancelOrder($back, 'moves away'), $this->till, $this->by);
    }

    private function change(): void
    {
        $layaway = $this->anyLayaway();
        $item = Item::query()->where('code', $this->pick(self::GOODS))->firstOrFail();
        app(ChangeLayaway::class)->lines(
            $layaway->id,
            $layaway->version,
            [LineChange::add($item, Quantity::of('1'))],
            $this->till,
            $this->by,
        );
    }

    private function charge(Customer $customer): void
    {
        $slip = (string) Str::uuid();
        app(PutCustomer::class)->handle($slip, $this->mine(), $customer);
        $this->goods($slip);
        $version = app(ChargeSlip::class)->rest($slip, $this->mine())->version;
        app(PostSale::class)->handle($slip, $this->mine($version));
    }

    private function payIn(Customer $customer): void
    {
        $slip = (string) Str::uuid();
        app(PutCustomer::class)->handle($slip, $this->mine(), $customer);
        app(ChargeSlip::class)->payIn($slip, $this->mine(), Money::of('12.00', Currency::of('USD')));
        $this->chance->getInt(0, 1) === 1 && $this->goods($slip);
        $this->paid($slip);
    }

    private function moveCredit(Customer $customer): void
    {
        $of = static fn (string $kind) => OpenItemRecord::query()
            ->where('customer_id', $customer->id)
            ->where('kind', $kind)
            ->where('open', '>', 0)
            ->inRandomOrder()
            ->first() ?? throw Refused::because('none', '');
        [$credit, $charge] = [$of('credit'), $of('charge')];
        $amount = Money::ofMinor(min($credit->open->minor, $charge->open->minor), Currency::of('USD'));
        app(SpreadCredit::class)->handle(
            $credit,
            [$charge->label => $amount],
            'on the wrong one',
            (string) Str::uuid(),
            $this->by,
            $this->till,
        );
    }

    private function lorry(): void
    {
        $goods = array_map(
            fn (string $code): Incoming => new Incoming(
                Item::query()->where('code', $code)->firstOrFail(),
                Quantity::of('3'),
                Money::of("{$this->chance->getInt(3, 9)}.00", Currency::of('USD')),
            ),
            $this->chance->shuffleArray(self::GOODS),
        );
        app(BringIn::class)->handle(
            $goods,
            Purpose::GoodsIn,
            PostedAt::till($this->till, $this->by->id),
            (string) Str::uuid(),
        );
    }

    private function writeOff(): void
    {
        $item = Item::query()->where('code', $this->pick(self::GOODS))->firstOrFail();
        app(WriteOff::class)->handle(
            [new WriteOffLine($item, Quantity::of('1'), WriteOffReason::Broken, '')],
            '',
            (string) Str::uuid(),
            $this->till,
            $this->by,
        );
    }
}
