<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Chain\ShopKey;
use Elmstone\Books\Figures\LedgerDays;
use Elmstone\Books\Proof\Prove;
use Elmstone\Books\Proof\RunProof;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Proof\Verifier;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Post\PostSale;
use Elmstone\Ledger\Audit\AuditFile;
use Elmstone\Ledger\CloseYear;
use Elmstone\Shares\PayCommission;
use Elmstone\Shop\Location;
use Elmstone\Shop\Shop;
use Elmstone\Shop\Till;
use Elmstone\Support\Report\Period;
use Elmstone\Tills\Days\Closing;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use LogicException;

/** The ledger and the export while tills post; a year and a commission by everyone at once. */
final class LedgerRaceTest extends RaceCase
{
    public function test_a_file_for_the_auditor_fits_whenever_it_is_made_while_tills_post(): void
    {
        $key = ShopKey::find()->fingerprint();
        $said = tempnam(sys_get_temp_dir(), 'said') ?: '';
        $today = CarbonImmutable::today();
        $this->atOnce(function (int $number) use ($key, $said, $today): void {
            for ($i = 0; $number > 1 && $i < 8; $i++) {
                [$slip, $act] = $this->settled($number, ['LH-1141', '2 x LH-1140'], $number % 2 === 0);
                app(PostSale::class)->handle($slip, $act);
            }

            for ($documents = 0; $number < 2 && $documents < (self::TILLS - 2) * 8;) {
                $lines = iterator_to_array(app(AuditFile::class)->lines(Period::between($today, $today)), false);
                $found = Verifier::check($lines, $key);
                $documents = count(preg_grep('/"label":"INV-/', $lines) ?: []);
                file_put_contents(
                    $said, json_encode([$documents, $found->faults])."\n", FILE_APPEND | LOCK_EX,
                );
            }
        });
        $all = array_map(
            static fn (string $line): array => (array) json_decode($line, true), file($said) ?: [],
        );
        unlink($said);
        $this->assertSame([[]], array_values(array_unique(array_column($all, 1), SORT_REGULAR)));
        $this->assertGreaterThan(1, count(array_unique(array_column($all, 0))), 'Tills posted between the files.');
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    /** The night's proof, and that of who presses “prove”: somebody always sells. */
    public function test_the_books_prove_whenever_they_are_proved_while_tills_post(): void
    {
        $said = tempnam(sys_get_temp_dir(), 'said') ?: '';
        $this->atOnce(function (int $number) use ($said): void {
            for ($i = 0; $number > 1 && $i < 12; $i++) {
                [$slip, $act] = $this->settled($number, ['LH-1141', '2 x LH-1140'], $number % 2 === 0);
                app(PostSale::class)->handle($slip, $act);
            }

            for ($sales = 0; $number < 2 && $sales < (self::TILLS - 2) * 12;) {
                $sales = DB::table('documents')->where('kind', 'invoice')->count();
                $faults = app(RunProof::class)->handle()->faults;
                file_put_contents($said, json_encode([$sales, $faults])."\n", FILE_APPEND | LOCK_EX);
            }
        });
        $all = array_map(static fn (string $line): array => (array) json_decode($line, true), file($said) ?: []);
        unlink($said);
        $this->assertGreaterThan(1, count(array_unique(array_column($all, 0))), 'Tills posted between the proofs.');
        $this->assertSame([[]], array_values(array_unique(array_column($all, 1), SORT_REGULAR)));
    }

    public function test_days_summed_by_everyone_at_once_while_they_post_are_summed_once(): void
    {
        $this->atOnce(function (int $number): void {
            for ($i = 0; $number < 4 && $i < 24; $i++) {
                [$slip, $act] = $this->settled($number, ['LH-1141']);
                app(PostSale::class)->handle($slip, $act);
                app(LedgerDays::class)->sum();
            }

            // What was seen once is seen again, whoever sums it between two readings.
            for ($seen = 0; $number > 3 && $seen < 4 * 24 * 484; $seen = $cash) {
                $cash = app(LedgerDays::class)->between(null, CarbonImmutable::today(), null)['cash'][0] ?? 0;
                $cash >= $seen || throw new LogicException("{$cash} in the till, and {$seen} before.");
            }
        });
        $summed = DB::table('ledger_days')->groupBy('account')->orderBy('account')
            ->selectRaw('account, SUM(debit) - SUM(credit) AS sum')->pluck('sum', 'account')->all();
        $posted = DB::table('journal_lines')->groupBy('account')->orderBy('account')
            ->selectRaw('account, SUM(debit) - SUM(credit) AS sum')->pluck('sum', 'account')->all();
        $this->assertSame(0, LedgerDays::unsummed());
        $this->assertEquals($posted, $summed);
    }

    public function test_while_somebody_sums_days_others_read_more_and_do_not_wait(): void
    {
        [$slip, $act] = $this->settled(0, ['LH-1141']);
        app(PostSale::class)->handle($slip, $act);
        config(['database.connections.other' => config('database.connections.mariadb')]);
        $other = DB::connection('other');
        $other->beginTransaction();
        $other->table('day_sums')->lockForUpdate()->get();
        $days = new LedgerDays(0);
        $today = CarbonImmutable::today();
        $this->assertSame(484, $days->between(null, $today, null)['cash'][0]);
        $this->assertGreaterThan(0, LedgerDays::unsummed(), 'It is left to who sums.');
        $other->rollBack();
        $this->assertSame(484, $days->between(null, $today, null)['cash'][0]);
        $this->assertSame(0, LedgerDays::unsummed());
        DB::purge('other');
    }

    public function test_a_year_closed_by_everyone_at_once_is_closed_once(): void
    {
        $year = CarbonImmutable::today()->year - 1;
        $end = CarbonImmutable::parse("{$year}-12-31");
        Location::query()->update(['closed_through' => ($year - 1).'-12-31']);
        $this->travelTo(CarbonImmutable::parse("{$year}-06-15 10:00"));
        [$slip, $act] = $this->settled(0, ['LH-1141']);
        app(PostSale::class)->handle($slip, $act);
        $this->travelBack();
        Location::query()->update(['closed_through' => $end]);
        Shop::query()->firstOrFail()->update(['months_closed_through' => $end]);
        Closing::query()->create([
            'location_id' => null, 'from_day' => "{$year}-01-01", 'through' => $end,
            'closed_by' => $this->staff('901')->id, 'closed_at' => now(), 'checks' => [],
        ]);
        $this->atOnce(function (int $number) use ($end): void {
            try {
                app(CloseYear::class)->handle(
                    $end, (string) Str::uuid(), Till::query()->with('location')->findOrFail(1), $this->staff('901'),
                );
            } catch (Refused $refused) {
                in_array($refused->rule, ['not_next', 'not_over'], true) || throw $refused;
            }
        });
        $this->assertSame(
            [1, 1],
            [DB::table('documents')->where('purpose', Purpose::YearEnd)->count(), DB::table('years')->count()],
        );
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_a_commission_paid_out_by_everyone_at_once_is_paid_once(): void
    {
        DB::table('commission_rates')->insert([
            'rate' => '50', 'rate_of' => 'net', 'from' => '2000-01-01',
        ]);
        [$slip, $act] = $this->settled(0, ['LH-1141']);
        app(PostSale::class)->handle($slip, $act);
        $this->assertSame(220, (int) DB::table('document_shares')->sum('commission'));
        $this->atOnce(function (int $number): void {
            try {
                app(PayCommission::class)->handle(
                    $this->staff('101'), CarbonImmutable::today(), Money::of('2.20', Currency::of('USD')),
                    TenderKind::BankTransfer, (string) Str::uuid(),
                    Till::query()->with('location')->findOrFail(1), $this->staff($number % 2 === 0 ? '301' : '901'),
                );
            } catch (Refused $refused) {
                $refused->rule === 'more_than_owed' || throw $refused;
            }
        });
        $this->assertSame(1, DB::table('documents')->where('purpose', Purpose::CommissionPaid)->count());
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }
}
