<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Document;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Customers\Customer;
use Elmstone\Staff\Doors\PinTries;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * One clock: moments are kept in UTC, people see the shop's. When clocks change and days begin is the tz database's
 * (IANA), as PHP ships it: Lisbon on the last Sundays of March and October at 01:00 UTC, New York on the second Sunday
 * of March and the first of November at 02:00 there, Santiago at midnight.
 */
final class ClocksTest extends FeatureCase
{
    use Accounts;
    use Returning;

    private function zone(string $zone): static
    {
        config(['house.timezone' => $zone]);

        return $this;
    }

    private function sellAt(string $utc, string $item = 'LH-1140'): Document
    {
        $this->travelTo(CarbonImmutable::parse($utc, 'UTC'));
        $this->as('101');

        return $this->sell($item);
    }

    /** @return array<string, array{string, string, string, string}> zone, moment in UTC, the shop's date and time */
    public static function moments(): array
    {
        return [
            'New York, a minute before midnight' => ['America/New_York', '2026-12-02 04:59:30', '2026-12-01', '23:59'],
            'New York, midnight' => ['America/New_York', '2026-12-02 05:00:00', '2026-12-02', '00:00'],
            'New York, before the change in spring' => [
                'America/New_York',
                '2027-03-14 06:59:59',
                '2027-03-14',
                '01:59',
            ],
            'New York, after it' => ['America/New_York', '2027-03-14 07:00:00', '2027-03-14', '03:00'],
            'New York, the evening after' => ['America/New_York', '2027-03-15 03:59:59', '2027-03-14', '23:59'],
            'New York, the first 01:30 in autumn' => ['America/New_York', '2027-11-07 05:30:00', '2027-11-07', '01:30'],
            'New York, the second' => ['America/New_York', '2027-11-07 06:30:00', '2027-11-07', '01:30'],
            'New York, the midnight after' => ['America/New_York', '2027-11-08 05:00:00', '2027-11-08', '00:00'],
            'Lisbon, midnight in summer' => ['Europe/Lisbon', '2027-06-30 23:00:00', '2027-07-01', '00:00'],
            'Lisbon, midnight in winter' => ['Europe/Lisbon', '2027-02-01 00:00:00', '2027-02-01', '00:00'],
            'Auckland, a morning that is yesterday in UTC' => [
                'Pacific/Auckland',
                '2026-12-01 21:15:00',
                '2026-12-02',
                '10:15',
            ],
            'Santiago, where a day begins at one' => ['America/Santiago', '2027-09-05 04:00:00', '2027-09-05', '01:00'],
        ];
    }

    #[DataProvider('moments')]
    public function test_the_business_date_is_the_shops_and_what_is_kept_is_utc(
        string $zone,
        string $utc,
        string $day,
        string $time,
    ): void {
        $sale = $this->zone($zone)->sellAt($utc);
        $this->assertSame(
            [$day, "{$utc}.000"],
            array_values(
                (array) DB::table('documents')
                    ->where('id', $sale->id)
                    ->first(['business_date', 'posted_at']),
            ),
        );
        $this->assertFalse($sale->refresh()->isBackdated());
        $shown = CarbonImmutable::parse($day)->format('j M Y');
        $this->get("/documents/{$sale->label}")
            ->assertOk()
            ->assertSee("{$shown}, {$time}");
        $this->get("/documents/{$sale->label}/receipt")
            ->assertOk()
            ->assertSee("{$shown}, {$time}");
        $this->assertSame($day, ShopTime::today()->format('Y-m-d'));
        $this->assertProves();
    }

    public function test_an_hour_that_comes_twice_is_told_apart(): void
    {
        $this->zone('Europe/Lisbon');
        $first = $this->sellAt('2027-10-31 00:30:00');
        $second = $this->sellAt('2027-10-31 01:30:00');
        $rows = $this->as('301')->get('/documents.csv')->assertOk()->streamedContent();
        $this->assertStringContainsString('2027-10-31T01:30:00+01:00', $rows);
        $this->assertStringContainsString('2027-10-31T01:30:00+00:00', $rows);
        $this->assertSame(3600, (int) $first->posted_at->diffInSeconds($second->posted_at));
    }

    public function test_what_lasts_a_while_lasts_as_long_while_the_clock_changes(): void
    {
        $this->zone('America/New_York')->travelTo(CarbonImmutable::parse('2027-11-07 05:55:00', 'UTC'));
        Auth::logout();
        $this->flushSession();
        $try = fn (string $pin): TestResponse => $this->post('/sign-in', [
            'number' => '101',
            'pin' => $pin,
            'till' => '1',
        ]);

        for ($i = 0; $i <= PinTries::MOST; $i++) {
            $try('0000')->assertSessionHasErrors('refused');
        }

        // Locked at five to two of daylight time, for a quarter of an hour: until ten past one of standard time.
        $this->assertStringContainsString('until 01:10;', session('errors')->first('refused'));
        $this->travel(14)->minutes();
        $try('4101')->assertSessionHasErrors('refused');
        $this->travel(2)->minutes();
        $try('4101')->assertSessionHasNoErrors();
    }

    public function test_what_was_written_in_summer_reads_the_same_in_winter(): void
    {
        $this->zone('Europe/Lisbon')->travelTo(CarbonImmutable::parse('2027-07-01 22:59:00', 'UTC'));
        $customer = $this->customer('Wren Hollis');
        $this->as('301')
            ->post(route('customers.note', $customer), ['text' => 'Ring twice'])
            ->assertSessionHasNoErrors();
        $read = function (): void {
            $this->assertSame('2027-07-01 22:59:00.000', DB::table('customers')->sole()->created_at);
            $this->as('301')
                ->get(route('customers.show', Customer::query()->sole()))
                ->assertOk()
                ->assertSee('Office Oak, 1 Jul 2027');
        };
        DB::table('customer_notes')->update(['written_at' => '2027-07-01 22:59:00']);
        $read();
        $this->travelTo(CarbonImmutable::parse('2027-12-01 12:00:00', 'UTC'));
        $read();
        $this->assertSame('+00:00', DB::selectOne('SELECT @@session.time_zone AS z')->z);
    }

    public function test_a_day_at_the_limits_of_money_out_is_the_shops(): void
    {
        DB::table('role_limits')->upsert(
            [
                [
                    'role' => 'clerk',
                    'matter' => 'cash',
                    'per_document' => 20_000,
                    'per_original' => 20_000,
                    'per_day' => 15_000,
                    'approves' => 0,
                ],
            ],
            ['role', 'matter'],
        );
        app()->forgetScopedInstances();
        $this->zone('America/New_York');
        $handOut = function (string $utc) {
            $sale = $this->sellAt($utc, 'MA-0031');
            $this->back($sale, [1 => '1'])->assertOk();
            $this->refund('cash')->assertOk();

            return $this->does('post');
        };
        // One in the evening, one after midnight in UTC and before the shop's, one after the shop's.
        $handOut('2026-12-01 23:30:00')->assertOk();
        $handOut('2026-12-02 04:50:00')->assertStatus(422)->assertSee('handed out that day');
        $handOut('2026-12-02 05:10:00')->assertOk();
    }

    public function test_what_is_of_today_ends_at_the_shops_midnight(): void
    {
        $this->zone('America/New_York');
        $sale = $this->sellAt('2026-12-02 04:40:00');
        $this->travelTo(CarbonImmutable::parse('2026-12-02 04:58:00', 'UTC'));
        $this->as('201')
            ->get("/documents/{$sale->label}")
            ->assertOk()
            ->assertSee('Void');
        $this->travelTo(CarbonImmutable::parse('2026-12-02 05:01:00', 'UTC'));
        $this->as('201')
            ->get("/documents/{$sale->label}")
            ->assertOk()
            ->assertDontSee('Void');
    }

    public function test_a_slip_begun_before_midnight_is_posted_on_the_day_it_is_posted(): void
    {
        $this->zone('America/New_York')->travelTo(CarbonImmutable::parse('2026-12-02 04:59:00', 'UTC'));
        $this->slip = (string) Str::uuid();
        $this->as('101')
            ->add('LH-1140')
            ->does('cash', ['cash' => '500'])
            ->assertOk();
        $this->assertNull(Slip::query()->where('key', $this->slip)->sole()->business_date);
        $this->travelTo(CarbonImmutable::parse('2026-12-02 05:00:30', 'UTC'));
        $this->does('post')->assertOk();
        $this->assertSame('2026-12-02', $this->document()->business_date->format('Y-m-d'));
    }

    public function test_the_security_log_is_searched_by_the_shops_day(): void
    {
        $this->zone('America/New_York')->travelTo(CarbonImmutable::parse('2026-12-02 04:30:00', 'UTC'));
        Auth::logout();
        $this->flushSession();
        $this->post('/sign-in', ['number' => '777', 'pin' => '000000', 'till' => '1']);
        $this->as('901');
        $this->get('/security-log?day=2026-12-01')->assertOk()->assertSee('1 Dec 2026, 23:30:00')->assertSee('777');
        $this->get('/security-log?day=2026-12-02')->assertOk()->assertDontSee('777');
    }

    public function test_a_date_is_not_moved_by_a_zone(): void
    {
        foreach (['Pacific/Auckland', 'Pacific/Pago_Pago', 'UTC'] as $zone) {
            $this->zone($zone);
            $this->assertSame(
                '2027-03-01',
                ShopTime::dayOf(ShopTime::beginning(CarbonImmutable::parse('2027-03-01')))->format('Y-m-d'),
            );
            $this->assertSame(
                '14:05',
                ShopTime::at(ShopTime::when(CarbonImmutable::parse('2027-03-01'), 14, 5))->format('H:i'),
            );
        }
    }
}
