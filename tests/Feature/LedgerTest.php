<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Account;
use Elmstone\Books\Document;
use Elmstone\Books\Figures\LedgerDays;
use Elmstone\Books\Proof\Prove;
use Elmstone\Books\Purpose;
use Elmstone\Ledger\AccountSheet;
use Elmstone\Ledger\TrialBalance;
use Elmstone\Shop\House;
use Elmstone\Shop\Location;
use Elmstone\Shop\Shop;
use Elmstone\Support\Report\Period;
use Elmstone\Tills\Days\Closing;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** Chart, trial balance, account sheet, journal, entries by hand, years. */
final class LedgerTest extends FeatureCase
{
    use Returning;

    private function balance(?string $from, string $until, ?int $location = null, bool $closing = false): TrialBalance
    {
        return TrialBalance::of(
            $from === null ? null : CarbonImmutable::parse($from), CarbonImmutable::parse($until), $location, $closing,
            app(LedgerDays::class), app(House::class),
        );
    }

    private function standsAt(TrialBalance $balance, string $code): string
    {
        foreach ($balance->accounts as $one) {
            if ($one->account->code === $code) {
                return $one->closing()->toString();
            }
        }

        return '0.00';
    }

    /**
     * @param  list<array{string, string, string}>  $rows account, debit, credit
     * @param  array<string, string>  $more
     * @return TestResponse<Response>
     */
    private function enters(array $rows, array $more = []): TestResponse
    {
        return $this->post('/ledger/entries', [
            'key' => (string) Str::uuid(),
            'day' => CarbonImmutable::today()->format('Y-m-d'),
            'reason' => 'rent of the yard',
            'approver' => '901',
            'approver_pin' => '4901',
            'approver_reason' => 'seen the bill',
            'rows' => array_map(static fn (array $row): array => [
                'account' => $row[0], 'debit' => $row[1], 'credit' => $row[2],
            ], $rows),
            ...$more,
        ]);
    }

    /** @return array<string, int> sums by plain reading of the journals, for any days */
    private function plain(?string $from, string $until, ?int $location = null): array
    {
        $sums = [];

        foreach (Document::query()->with('journal')->get() as $document) {
            $day = $document->business_date->format('Y-m-d');

            if (
                ($from === null || $day >= $from) && $day <= $until
                && ($location === null || $document->location_id === $location)
            ) {
                foreach ($document->journal as $row) {
                    $sums[$row->account] = ($sums[$row->account] ?? 0) + $row->debit->minor - $row->credit->minor;
                }
            }
        }

        return array_filter($sums, static fn (int $sum): bool => $sum !== 0);
    }

    /** @return array<string, int> */
    private function moved(?string $from, string $until, ?int $location = null): array
    {
        $days = app(LedgerDays::class)->between(
            $from === null ? null : CarbonImmutable::parse($from), CarbonImmutable::parse($until), $location,
        );

        return array_filter(
            array_map(static fn (array $sides): int => $sides[0] - $sides[1], $days),
            static fn (int $sum): bool => $sum !== 0,
        );
    }

    public function test_sums_of_days_are_those_of_the_journals_however_much_is_summed_already(): void
    {
        $today = CarbonImmutable::today();
        $days = app(LedgerDays::class);

        foreach ([3, 2, 2, 1, 0, 0] as $i => $ago) {
            $this->travelTo($today->subDays($ago)->setTime(10, $i));
            $this->as('101', $i % 2 === 0 ? 1 : 3)->sell('LH-1140', 'MA-0031');
            $i === 2 && $days->sum();
            $i === 4 && $days->sum();
        }

        $this->travelBack();
        $this->assertGreaterThan(0, LedgerDays::unsummed());

        foreach (
            [
                [null, 0, null], [null, 2, null], [2, 1, null], [0, 0, null], [3, 3, 1], [3, 0, 2], [null, 1, 2],
            ] as [$from, $until, $location]
        ) {
            $first = $from === null ? null : $today->subDays($from)->format('Y-m-d');
            $last = $today->subDays($until)->format('Y-m-d');
            $this->assertEqualsCanonicalizing(
                $this->plain($first, $last, $location), $this->moved($first, $last, $location),
            );
        }

        $days->sum();
        $days->sum();
        $this->assertSame(0, LedgerDays::unsummed());
        $this->assertEqualsCanonicalizing(
            $this->plain(null, $today->format('Y-m-d')), $this->moved(null, $today->format('Y-m-d')),
        );
        $this->assertProves();
        DB::table('ledger_days')->limit(1)->increment('debit');
        $this->assertStringContainsString(
            'the sum of the day is off by', implode(' ', app(Prove::class)->handle()->faults),
        );
    }

    public function test_the_trial_balance_comes_to_nothing_and_every_figure_leads_to_its_documents(): void
    {
        $sale = $this->sell('MA-0031');
        $page = $this->as('301')->get('/ledger');
        $page->assertOk()->assertSee('Trial balance')->assertSeeInOrder(['1000', 'Cash in till', '103.40']);
        $sums = $this->balance(null, CarbonImmutable::today()->format('Y-m-d'))->sums();
        $this->assertSame(['0.00', '0.00'], [$sums['opening']->toString(), $sums['closing']->toString()]);
        $this->assertTrue($sums['debit']->equals($sums['credit']));
        $this->get('/ledger/accounts/1000')->assertOk()->assertSee($sale->label)->assertSee('103.40');
        $this->get('/ledger/journal')->assertOk()->assertSee($sale->label)->assertSee('Sales, Goods');
        $csv = $this->get('/ledger/trial-balance.csv')->assertOk()->streamedContent();
        $this->assertStringContainsString('1000,"Cash in till",asset,0.00,103.40,0.00,103.40', $csv);
        $this->assertStringContainsString(
            $sale->label, $this->get('/ledger/accounts/1000/sheet.csv')->streamedContent(),
        );
        $this->assertSame('47.00', $this->balance(
            CarbonImmutable::today()->format('Y-m-d'), CarbonImmutable::today()->format('Y-m-d'),
        )->profit()->toString());
    }

    public function test_a_sheet_goes_on_from_page_to_page(): void
    {
        for ($i = 0; $i < 6; $i++) {
            $this->sell('LH-1140');
        }

        $sheet = app(AccountSheet::class);
        $account = Account::query()->findOrFail('cash');
        $period = Period::between(CarbonImmutable::today(), CarbonImmutable::today());
        $balances = array_map(
            static fn ($row): string => $row->balance->toString(),
            iterator_to_array($sheet->rows($account, $period, null), false),
        );
        $this->assertSame(['4.24', '8.48', '12.72', '16.96', '21.20', '25.44'], $balances);
        $this->assertSame(6, $sheet->count($account, $period, null));
        $moved = new \ReflectionMethod($sheet, 'moved');
        $this->assertSame('12.72', $moved->invoke($sheet, $account, $period, null, 3)->toString());
    }

    public function test_clerks_and_supervisors_do_not_see_it(): void
    {
        foreach (['101', '201'] as $number) {
            $this->as($number);

            foreach (
                ['', '/journal', '/accounts', '/accounts/1000', '/entries/new', '/years', '/trial-balance.csv'] as $page
            ) {
                $this->get("/ledger{$page}")->assertForbidden();
            }
        }

        $this->as('301')->post('/ledger/years', [])->assertForbidden();
        $this->get('/ledger?from=2027-05-01&until=2027-04-01')->assertSessionHasErrors('from');
        $this->get('/ledger?from=2005-05-01&until=2027-04-01')->assertSessionHasErrors('from');
        $this->get('/ledger?location=77')->assertSessionHasErrors('location');
        $this->get('/ledger/journal?day=yesterday')->assertSessionHasErrors('day');
        $this->get('/ledger/accounts/9999')->assertNotFound();
    }

    public function test_numbers_and_names_are_set_once_at_a_time_and_on_record(): void
    {
        $this->as('301');
        $set = fn (string $number, string $name, string $version) => $this->post('/ledger/accounts/1050', [
            'number' => $number, 'name' => $name, 'version' => $version,
        ]);
        $set('1000', 'Bank', '1')->assertSessionHasErrors('refused');
        $set('10 50', 'Bank', '1')->assertSessionHasErrors('refused');
        $set('1050', '', '1')->assertSessionHasErrors('refused');
        $set('1050', 'Harrow Falls Savings', '1')->assertSessionHasNoErrors();
        $set('1050', 'Something else', '1')->assertSessionHasErrors('refused');
        $this->post('/ledger/accounts', ['number' => '6500', 'name' => 'Rent', 'kind' => 'cow'])
            ->assertSessionHasErrors('kind');
        $this->post('/ledger/accounts', ['number' => '6500', 'name' => 'Rent', 'kind' => 'expense'])
            ->assertSessionHasNoErrors();
        $this->post('/ledger/accounts', ['number' => '6500', 'name' => 'Rent', 'kind' => 'expense'])
            ->assertSessionHasErrors('number');
        $this->get('/ledger/accounts')->assertSee('Harrow Falls Savings')->assertSee('Rent');
        $this->as('901')->get('/security-log')->assertSee('account added: 6500 Rent');
    }

    public function test_an_entry_by_hand_takes_two_people_and_balances(): void
    {
        $this->as('301')->post('/ledger/accounts', ['number' => '6500', 'name' => 'Rent', 'kind' => 'expense']);
        $good = [['6500', '800', ''], ['1050', '', '800']];
        $this->enters([['6500', '800', ''], ['1050', '', '790']])->assertSessionHasErrors('rows');
        $this->enters([['6500', '800', '']])->assertSessionHasErrors('rows');
        $this->enters([['6500', '800', ''], ['9999', '', '800']])->assertSessionHasErrors('rows.1');
        $this->enters([['1100', '800', ''], ['1050', '', '800']])->assertSessionHasErrors('rows.0');
        $this->enters([['6500', '800', '800'], ['1050', '', '800']])->assertSessionHasErrors('rows.0');
        $this->enters([['6500', 'much', ''], ['1050', '', '800']])->assertSessionHasErrors('rows.0');
        $this->enters($good, ['reason' => ''])->assertSessionHasErrors('reason');
        $this->enters($good, ['day' => CarbonImmutable::today()->addDay()->format('Y-m-d')])
            ->assertSessionHasErrors('day');
        $this->enters($good, ['day' => CarbonImmutable::today()->subDays(9)->format('Y-m-d')])
            ->assertSessionHasErrors('day');
        $this->enters($good, ['approver' => '', 'approver_pin' => '', 'approver_reason' => ''])
            ->assertSessionHasErrors('refused');
        $this->enters($good, ['approver' => '301', 'approver_pin' => '4301'])->assertSessionHasErrors('refused');
        $this->enters($good, ['approver' => '201', 'approver_pin' => '4201'])->assertSessionHasErrors('refused');
        $this->assertSame(0, Document::query()->where('purpose', Purpose::ByHand)->count());

        $key = (string) Str::uuid();
        $this->enters($good, ['key' => $key])->assertSessionHasNoErrors();
        $this->enters($good, ['key' => $key])->assertSessionHasNoErrors();
        $entry = Document::query()->with('journal')->where('purpose', Purpose::ByHand)->sole();
        $this->assertSame(['own:6500' => 80000, 'bank' => -80000], $this->posted($entry));
        $this->get("/documents/{$entry->label}")->assertOk()->assertSee('Take this entry back');
        $this->assertProves();
        $this->assertDrawersAreRight();

        $back = fn (string $number): TestResponse => $this->post("/ledger/entries/{$entry->label}/take-back", [
            'key' => (string) Str::uuid(), 'reason' => 'wrong month', 'approver' => $number,
            'approver_pin' => "4{$number}", 'approver_reason' => 'seen',
        ]);
        $back('301')->assertSessionHasErrors('refused');
        $back('901')->assertSessionHasNoErrors();
        $back('901')->assertSessionHasErrors('refused');
        $this->assertSame('0.00', $this->standsAt(
            $this->balance(null, CarbonImmutable::today()->format('Y-m-d')), 'own:6500',
        ));
        $this->assertProves();
    }

    public function test_a_year_is_closed_when_its_months_are_and_opened_again(): void
    {
        $year = CarbonImmutable::today()->year - 1;
        Location::query()->update(['closed_through' => ($year - 1).'-12-31']);
        $this->travelTo(CarbonImmutable::parse("{$year}-06-15 10:00"));
        $this->sell('MA-0031');
        $this->travelBack();
        $end = "{$year}-12-31";
        $close = fn (?string $of = null): TestResponse => $this->as('901')->post('/ledger/years', [
            'key' => (string) Str::uuid(), 'end' => $of ?? $end,
        ]);
        $close()->assertSessionHasErrors('refused');
        Location::query()->update(['closed_through' => $end]);
        Shop::query()->firstOrFail()->update(['months_closed_through' => $end]);
        Closing::query()->create([
            'location_id' => null, 'from_day' => "{$year}-01-01", 'through' => $end,
            'closed_by' => $this->staff('901')->id, 'closed_at' => now(), 'checks' => [],
        ]);
        $this->as('901')->get('/ledger/years')->assertOk()->assertSee('Close the year');
        $close(($year + 1).'-12-31')->assertSessionHasErrors('refused');
        $close()->assertSessionHasNoErrors();
        $close()->assertSessionHasErrors('refused');
        $closing = Document::query()->with('journal')->where('purpose', Purpose::YearEnd)->sole();
        $this->assertSame($end, $closing->business_date->format('Y-m-d'));
        $this->assertSame(-4700, $this->posted($closing)['retained_earnings']);
        $this->assertProves();

        // Income and cost of the year can be read after it is closed; with what closes it, nothing is left of them.
        $this->assertSame('47.00', $this->balance("{$year}-01-01", $end)->profit()->toString());
        $this->assertSame('0.00', $this->balance("{$year}-01-01", $end, null, true)->profit()->toString());
        $today = CarbonImmutable::today()->format('Y-m-d');
        $this->assertSame('0.00', $this->standsAt($this->balance(($year + 1).'-01-01', $today), 'cost_of_goods'));
        $this->assertSame('-47.00', $this->standsAt($this->balance(($year + 1).'-01-01', $today), 'retained_earnings'));

        $this->post('/calendar/month/reopen', ['day' => $end, 'reason' => 'late bill'])->assertSessionHasErrors();
        $this->assertSame($end, Shop::query()->firstOrFail()->months_closed_through?->format('Y-m-d'));
        $open = fn (string $reason): TestResponse => $this->post('/ledger/years/reopen', [
            'key' => (string) Str::uuid(), 'reason' => $reason,
        ]);
        $open('')->assertSessionHasErrors('refused');
        $open('a bill came late')->assertSessionHasNoErrors();
        $open('again')->assertSessionHasErrors('refused');
        $this->assertNull(Shop::query()->firstOrFail()->years_closed_through);
        $this->assertProves();
        $close()->assertSessionHasNoErrors();
        $this->assertSame(2, Document::query()->where('purpose', Purpose::YearEnd)->count());
        $this->assertProves();
    }
}
