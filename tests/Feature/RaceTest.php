<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Closure;
use Elmstone\Books\Document;
use Elmstone\Books\HeldKind;
use Elmstone\Books\Proof\Prove;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Lines\AddToSlip;
use Elmstone\Counter\Parts\Back\BringBack;
use Elmstone\Counter\Parts\GiftCardsOnSlip;
use Elmstone\Counter\Parts\HoldSlip;
use Elmstone\Counter\Parts\PayLayaway;
use Elmstone\Counter\Parts\TakeDeposit;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Counter\Settle\ChargeSlip;
use Elmstone\Counter\Settle\ChooseRefund;
use Elmstone\Counter\Settle\CountTender;
use Elmstone\Counter\Slip\PutCustomer;
use Elmstone\Customers\Customer;
use Elmstone\Layaways\Layaway;
use Elmstone\Returns\ReturnReason;
use Elmstone\Support\SideBySide;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Several tills at the same instant, as processes of their own on a database of their own. */
final class RaceTest extends RaceCase
{
    public function test_numbers_have_no_gap_and_stock_no_error_when_all_tills_post_at_once(): void
    {
        $this->atOnce(function (int $number): void {
            for ($i = 0; $i < 12; $i++) {
                [$slip, $act] = $this->settled($number, ['LH-1141', '2 x LH-1140'], $number % 2 === 0);
                app(PostSale::class)->handle($slip, $act);
            }
        });

        $numbers = DB::table('documents')->where('kind', 'invoice')->orderBy('number')->pluck('number')->all();
        $this->assertSame(range(1, self::TILLS * 12), $numbers);
        $alone = app(Prove::class)->handle();
        $this->assertSame([], $alone->faults);
        // By two processes it proves as much, and finds as much.
        $together = app(Prove::class)->handle(true, new SideBySide(2));
        $this->assertSame([[], $alone->checked], [$together->faults, $together->checked]);
        DB::table('series')->where('kind', 'invoice')->increment('last_number');
        $this->assertSame(
            app(Prove::class)->handle()->faults,
            app(Prove::class)->handle(true, new SideBySide(2))->faults,
        );
        $this->assertNotSame([], app(Prove::class)->handle(false, new SideBySide(2))->faults);
    }

    public function test_one_slip_posted_by_everyone_at_once_is_one_document(): void
    {
        [$slip, $act] = $this->settled(0, ['LH-1140']);
        $this->atOnce(static fn (int $number): mixed => app(PostSale::class)->handle($slip, $act));
        $this->assertSame(
            [1, 1],
            [
                DB::table('documents')->where('kind', 'invoice')->count(),
                (int) DB::table('series')->where('kind', 'invoice')->value('last_number'),
            ],
        );
    }

    public function test_one_slip_scanned_into_by_everyone_at_once_has_every_piece(): void
    {
        $slip = (string) Str::uuid();
        $this->atOnce(function (int $number) use ($slip): void {
            for ($i = 0; $i < 10; $i++) {
                app(AddToSlip::class)->handle($slip, $this->act(), 'LH-1140');
            }
        });
        $this->assertSame(['80.0000'], DB::table('slip_lines')->pluck('quantity')->all());
    }

    public function test_the_last_payment_taken_by_everyone_at_once_completes_once_and_the_others_are_told(): void
    {
        $layaways = $this->layaways(12);
        $told = tempnam(sys_get_temp_dir(), 'told') ?: '';
        $gate = tempnam(sys_get_temp_dir(), 'gate') ?: '';
        $this->atOnce(function (int $number) use ($layaways, $told, $gate): void {
            foreach ($layaways as $round => $id) {
                $slip = (string) Str::uuid();
                app(PayLayaway::class)->add(
                    $slip,
                    $this->act(),
                    Layaway::query()->with('customer.type.priceLevel')->findOrFail($id),
                );
                app(PayLayaway::class)->amount($slip, $this->act(), $id, Money::of('3.24', Currency::of('USD')));
                app(PayLayaway::class)->leaves($slip, $this->act(), $id, true);
                $version = app(CountTender::class)->cash($slip, $this->act(), Money::of('5.00', Currency::of('USD')))
                    ->version;
                file_put_contents("{$gate}-{$round}", '.', FILE_APPEND | LOCK_EX);

                while (strlen((string) file_get_contents("{$gate}-{$round}")) < self::TILLS) {
                    usleep(300);
                }

                try {
                    app(PostSale::class)->handle($slip, $this->act($version));
                } catch (Refused $refused) {
                    file_put_contents($told, "{$refused->rule}\n", FILE_APPEND | LOCK_EX);
                }
            }
        });

        $this->assertSame(
            array_fill(0, 12 * (self::TILLS - 1), 'not_running'),
            explode("\n", trim((string) file_get_contents($told))),
        );
        array_map(unlink(...), [$told, ...glob("{$gate}*") ?: []]);
        $this->assertSame(
            ['completed' => 12],
            DB::table('agreements')->groupBy('state')->selectRaw('state, COUNT(*) AS n')->pluck('n', 'state')->all(),
        );
        $this->assertSame(12, DB::table('documents')->where('kind', 'invoice')->count());
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_one_deposit_used_by_everyone_at_once_is_used_once(): void
    {
        $customer = $this->customer('Person', ['phone' => '555 0100'])->load('type.priceLevel');
        $begin = function () use ($customer): string {
            $slip = (string) Str::uuid();
            app(PutCustomer::class)->handle($slip, $this->act(), $customer);

            return $slip;
        };
        $slip = $begin();
        app(TakeDeposit::class)->take($slip, $this->act(), Money::of('4.30', Currency::of('USD')), '');
        $version = app(CountTender::class)->cash($slip, $this->act(), Money::of('4.30', Currency::of('USD')))->version;
        app(PostSale::class)->handle($slip, $this->act($version));
        $gate = tempnam(sys_get_temp_dir(), 'gate') ?: '';
        $this->atOnce(function (int $number) use ($begin, $gate): void {
            $slip = $begin();
            app(AddToSlip::class)->handle($slip, $this->act(), 'LH-1140');
            $version = app(TakeDeposit::class)->rest($slip, $this->act())->version;
            file_put_contents($gate, '.', FILE_APPEND | LOCK_EX);

            while (strlen((string) file_get_contents($gate)) < self::TILLS) {
                usleep(300);
                clearstatcache();
            }

            try {
                app(PostSale::class)->handle($slip, $this->act($version));
            } catch (Refused $refused) {
                $refused->rule === 'over_deposit' || throw $refused;
            }
        });
        unlink($gate);
        $this->assertSame(
            [1, 6],
            [
                DB::table('documents')->where('kind', 'invoice')->count(),
                Held::of(HeldKind::Deposit),
            ],
        );
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_the_last_piece_brought_back_by_everyone_at_once_comes_back_once(): void
    {
        [$slip, $act] = $this->settled(0, ['LH-1140']);
        $sale = app(PostSale::class)->handle($slip, $act)->documentId;
        $this->raced('more_than_left', function () use ($sale): array {
            $slip = (string) Str::uuid();
            app(BringBack::class)->lines(
                $slip,
                $this->act(),
                ["{$sale}:1" => '1'],
                ReturnReason::NotNeeded,
                null,
                (string) Document::query()->whereKey($sale)->value('label'),
            );

            return [$slip, app(ChooseRefund::class)->rest($slip, $this->act(), TenderKind::Cash)->version];
        });
        $this->assertSame(
            [1, '50.0000'],
            [
                DB::table('documents')->where('kind', 'credit_note')->count(),
                DB::table('stock')
                    ->where('item_id', DB::table('items')->where('code', 'LH-1140')->value('id'))
                    ->value('on_hand'),
            ],
        );
    }

    public function test_one_gift_card_used_by_everyone_at_once_is_used_once(): void
    {
        $slip = (string) Str::uuid();
        app(GiftCardsOnSlip::class)->sell($slip, $this->act(), Money::of('4.30', Currency::of('USD')), '');
        app(PostSale::class)->handle(
            $slip,
            $this->act(
                app(CountTender::class)->cash($slip, $this->act(), Money::of('4.30', Currency::of('USD')))->version,
            ),
        );
        $code = Crypt::decryptString((string) DB::table('gift_cards')->value('number'));
        $this->raced('over_gift_card', function () use ($code): array {
            $slip = (string) Str::uuid();
            app(AddToSlip::class)->handle($slip, $this->act(), 'LH-1140');

            return [$slip, app(GiftCardsOnSlip::class)->use($slip, $this->act(), $code)->version];
        });
        $this->assertSame(
            [1, 6],
            [
                DB::table('documents')->where('kind', 'invoice')->count(),
                Held::of(HeldKind::GiftCard),
            ],
        );
    }

    /**
     * Everyone makes a slip ready, waits for the others, and posts. All but one are told why not.
     *
     * @param  Closure(): array{string, int}  $ready a slip and its version
     */
    private function raced(string $rule, Closure $ready): void
    {
        $gate = tempnam(sys_get_temp_dir(), 'gate') ?: '';
        $told = tempnam(sys_get_temp_dir(), 'told') ?: '';
        $this->atOnce(function (int $number) use ($ready, $gate, $told): void {
            [$slip, $version] = $ready();
            file_put_contents($gate, '.', FILE_APPEND | LOCK_EX);

            while (strlen((string) file_get_contents($gate)) < self::TILLS) {
                usleep(300);
                clearstatcache();
            }

            try {
                app(PostSale::class)->handle($slip, $this->act($version));
            } catch (Refused $refused) {
                file_put_contents($told, "{$refused->rule}\n", FILE_APPEND | LOCK_EX);
            }
        });
        $this->assertSame(
            array_fill(0, self::TILLS - 1, $rule),
            explode("\n", trim((string) file_get_contents($told))),
        );
        array_map(unlink(...), [$gate, $told]);
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    /** @return list<int> layaways of 4.24 with 1.00 paid */
    private function layaways(int $count): array
    {
        for ($i = 0; $i < $count; $i++) {
            $slip = (string) Str::uuid();
            app(PutCustomer::class)->handle(
                $slip,
                $this->act(),
                $this->customer("Person {$i}", ['phone' => "555 01{$i}"])->load('type.priceLevel'),
            );
            app(AddToSlip::class)->handle($slip, $this->act(), 'LH-1140');
            app(HoldSlip::class)->begin($slip, $this->act(), Money::of('1.00', Currency::of('USD')));
            app(HoldSlip::class)->terms($slip, $this->act(by: '201'), ['min_deposit' => '']);
            $version = app(CountTender::class)->cash($slip, $this->act(), Money::of('1.00', Currency::of('USD')))
                ->version;
            app(PostSale::class)->handle($slip, $this->act($version));
        }

        return array_values(
            array_map(
                static fn (mixed $id): int => is_int($id) ? $id : 0,
                Layaway::query()->orderBy('id')->pluck('id')->all(),
            ),
        );
    }

    public function test_one_account_with_room_for_one_is_charged_once_by_eight_tills_many_times_over(): void
    {
        $rounds = (int) (getenv('ELMSTONE_ROUNDS') ?: 25);
        $customers = [];

        for ($round = 0; $round < $rounds; $round++) {
            // LH-1140 comes to 4.24 with its tax: there is room for one, not for two.
            $customers[] = $this->account('4.30', "Firm {$round}")->id;
        }

        $this->chargeAtOnce(array_map(static fn (int $customer): array => [$customer], $customers));
        $charged = DB::table('documents')
            ->where('kind', 'invoice')
            ->groupBy('customer_id')
            ->selectRaw('customer_id, COUNT(*) AS n')
            ->pluck('n', 'customer_id')
            ->all();
        $this->assertSame(array_fill_keys($customers, 1), $charged);
        $this->assertSame([424], DB::table('house_accounts')->distinct()->pluck('balance')->all());
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    /**
     * Every till charges 4.24 to an account of each round, all in the same moment; who is told of the limit goes on.
     *
     * @param  non-empty-list<non-empty-list<int>>  $rounds customers; more than one: each till has one of its own
     */
    private function chargeAtOnce(array $rounds): void
    {
        $model = (string) Str::uuid();
        app(PutCustomer::class)->handle(
            $model,
            $this->act(),
            Customer::query()->with('type.priceLevel')->findOrFail($rounds[0][0]),
        );
        app(AddToSlip::class)->handle($model, $this->act(), 'LH-1140');
        $version = app(ChargeSlip::class)->rest($model, $this->act())->version;
        $gate = tempnam(sys_get_temp_dir(), 'gate') ?: '';
        $this->atOnce(function (int $number) use ($rounds, $gate, $model, $version): void {
            foreach ($rounds as $round => $customers) {
                $slip = $this->copied($model, $customers[$number % count($customers)]);
                file_put_contents("{$gate}-{$round}", '.', FILE_APPEND | LOCK_EX);

                while (strlen((string) file_get_contents("{$gate}-{$round}")) < self::TILLS) {
                    usleep(300);
                }

                try {
                    app(PostSale::class)->handle($slip, $this->act($version));
                } catch (Refused $refused) {
                    $refused->rule === 'over_limit' || throw $refused;
                }
            }
        });
        array_map(unlink(...), glob("{$gate}*") ?: []);
    }

    public function test_branches_charged_by_eight_tills_at_once_keep_within_the_limit_of_their_head_office(): void
    {
        $rounds = [];
        $many = min(40, (int) (getenv('ELMSTONE_ROUNDS') ?: 20));

        for ($round = 0; $round < $many; $round++) {
            // Room for one of 4.24 in the group, and for many on each branch.
            $head = $this->account('4.30', "Firm {$round}")->id;
            DB::table('account_groups')->insert(['head_id' => $head]);
            $group = [$head];

            for ($branch = 1; $branch < self::TILLS; $branch++) {
                $group[] = $this->account('100.00', "Firm {$round} branch {$branch}")->id;
            }

            DB::table('house_accounts')->whereIn('customer_id', $group)->update(['head_id' => $head]);
            $rounds[] = $group;
        }

        $this->chargeAtOnce($rounds);
        $this->assertSame(
            [[424], $many],
            [
                DB::table('house_accounts')->groupBy('head_id')->selectRaw('SUM(balance) AS sum')->pluck('sum')
                    ->map(static fn (mixed $sum): int => is_numeric($sum) ? (int) $sum : 0)->unique()->values()->all(),
                DB::table('documents')->where('kind', 'invoice')->count(),
            ],
        );
    }

    /** The same slip for another customer, so that a round is the posting and little else. */
    private function copied(string $model, int $customer): string
    {
        $key = (string) Str::uuid();
        $slip = (array) DB::table('slips')->where('key', $model)->first();
        $copy = DB::table('slips')->insertGetId([
            ...array_diff_key($slip, ['id' => true]),
            'key' => $key,
            'customer_id' => $customer,
        ]);

        foreach (DB::table('slip_lines')->where('slip_id', $slip['id'])->get() as $line) {
            DB::table('slip_lines')->insert([...array_diff_key((array) $line, ['id' => true]), 'slip_id' => $copy]);
        }

        return $key;
    }

    public function test_one_cheque_posted_by_everyone_at_once_is_one_receipt(): void
    {
        $customer = $this->account('500.00');
        $this->atOnce(function (int $number) use ($customer): void {
            try {
                $this->pay($customer, '50.00', '004417');
            } catch (Refused $refused) {
                $refused->rule === 'posted_before' || throw $refused;
            }
        });
        $this->assertSame(
            [1, -5000],
            [
                DB::table('documents')->where('kind', 'receipt')->count(),
                (int) DB::table('house_accounts')->value('balance'),
            ],
        );
    }
}
