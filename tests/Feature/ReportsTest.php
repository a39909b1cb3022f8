<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Figures\LedgerDays;
use Elmstone\Books\Proof\Prove;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Reports\AllReports;
use Elmstone\Reports\Answer;
use Elmstone\Reports\Asked;
use Elmstone\Reports\Bars;
use Elmstone\Reports\Definitions\Sales;
use Elmstone\Reports\Entry;
use Elmstone\Reports\Figure;
use Elmstone\Reports\OneReport;
use Elmstone\Shop\House;
use Elmstone\Shop\Shop;
use Elmstone\Shop\Till;
use Elmstone\Support\LocalTime;
use Elmstone\Support\Report\Period;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;

/** Reports: what they say, that they agree, who may see them, what they are asked wrongly. */
final class ReportsTest extends FeatureCase
{
    use Returning;

    private function period(int $daysAgo = 3): Period
    {
        return Period::between(CarbonImmutable::today()->subDays($daysAgo), CarbonImmutable::today());
    }

    /** Sales on three days, to two customers and to passers-by, with a discount, a typed price and a return. */
    private function trade(): void
    {
        $today = CarbonImmutable::today();
        $this->travelTo($today->subDays(2)->setTime(9, 30));
        $this->sell('2 x MA-0031', 'LH-1140');
        $this->travelTo($today->subDay()->setTime(14, 5));
        $this->charge($this->account('500.00'), '3 x LH-1141');
        $this->as('101', 3)->sell('PI-2800', 'WA-0001');
        // Not in the hours of the first day, whatever the time is now.
        $this->travelTo($today->setTime(11, 30));
        $this->slip = (string) Str::uuid();
        $this->as('101')->add('4 x LH-1140');
        $this->does('discount', ['discount' => '5 %'])->assertOk();
        $this->does('sold-by', ['sold_by' => '+201'])->assertOk();
        $this->does('card')->assertOk();
        $this->does('post')->assertOk();
        $sale = $this->document();
        $this->as('201')->back($sale, [1 => '1'])->assertOk();
        $this->refund("card:{$sale->tenders[0]->authorisation}");
        $this->approve('', ['approver' => '301', 'approver_pin' => '4301', 'approver_reason' => 'seen']);
        $this->does('post');
        $this->travelBack();
        $this->as('301');
    }

    /** @return array<string, mixed> net by label */
    private function sales(string $by, ?Asked $asked = null): array
    {
        return array_combine(
            array_map(static fn (Entry $entry): string => $entry->label, $all = app(Sales::class)->entries(
                ($asked ?? new Asked($this->period(), $by))->by($by),
            )),
            array_map(static fn (Entry $entry): mixed => $entry->figures['net'] ?? $entry->figures['amount'], $all),
        );
    }

    public function test_sales_are_the_same_however_they_are_grouped_and_by_the_ledger(): void
    {
        $this->trade();
        $net = array_sum($this->sales('day'));
        $this->assertGreaterThan(0, $net);

        foreach (['week', 'month', 'hour', 'weekday', 'department', 'item', 'customer', 'person', 'location'] as $by) {
            $this->assertSame($net, array_sum($this->sales($by)), $by);
        }

        $this->assertSame(19185, $this->sales('day')[CarbonImmutable::today()->subDays(2)->format('D j M Y')]);
        $this->assertSame(
            ['HF counter', 'PB counter'], array_keys($this->sales('location')),
        );
        $this->assertSame(1725, $this->sales('location')['PB counter']);
        $this->assertArrayHasKey('Super Slate', $this->sales('person'));
        $this->assertProves();
        $this->assertContains('Fern & Flint Paving', array_keys($this->sales('customer')));
    }

    public function test_a_report_is_narrowed_by_place_person_goods_way_and_hours(): void
    {
        $this->trade();
        $asked = fn (array $more): Asked => new Asked(...['period' => $this->period(), 'by' => 'day', ...$more]);
        $sum = fn (array $more): int => (int) array_sum($this->sales('day', $asked($more)));
        $till = Till::query()->findOrFail(3);
        $this->assertSame(1725, $sum(['till' => 3]));
        $this->assertSame(1725, $sum(['location' => $till->location_id]));
        $saw = Item::query()->where('code', 'MA-0031')->sole()->id;
        $this->assertSame(18800, $sum(['item' => $saw]));
        $this->assertSame(19185, $sum(['hours' => ['09:00', '10:00']]));
        $this->assertSame(1320, $sum(['way' => TenderKind::HouseAccount]));
        $this->as('301')->get('/reports/sales?by=tender')->assertOk()->assertSee('House account');
    }

    public function test_reports_say_the_same_before_and_after_days_are_summed_and_from_the_lines(): void
    {
        $this->trade();
        $answers = fn (array $more): array => array_map(
            static fn (string $of): array => array_map(
                static fn (string $by): array => array_map(
                    static fn (Entry $entry): array => [$entry->label, $entry->figures],
                    AllReports::find($of)?->entries(new Asked(...[
                        'period' => Period::between(CarbonImmutable::today()->subDays(3), CarbonImmutable::today()),
                        'by' => $by, ...$more,
                    ])) ?? [],
                ),
                array_keys(AllReports::find($of)?->by() ?? []),
            ),
            ['sales', 'customers', 'sellers', 'tax', 'returns', 'prices-by-hand'],
        );
        $before = $answers([]);
        $this->assertGreaterThan(0, LedgerDays::unsummed());
        app(LedgerDays::class)->sum();
        $this->assertSame(0, LedgerDays::unsummed());
        $this->assertEquals($before, $answers([]));
        // All hours are no narrowing; but the lines are read for it.
        $lines = $answers(['hours' => ['00:00', '24:00']]);
        $this->assertEquals(array_slice($before, 0, 3), array_slice($lines, 0, 3));

        $this->as('101')->sell('3 x LH-1140');
        $more = $answers([]);
        $this->assertNotEquals($before, $more);
        app(LedgerDays::class)->sum();
        $this->assertEquals($more, $answers([]));
        $this->assertProves();
        DB::table('sold_days')->where('kind', 'item')->limit(1)->update(['quantity' => DB::raw('quantity + 1')]);
        DB::table('marked_lines')->where('kind', 'by_hand')->limit(1)->delete();
        $this->assertStringContainsString(
            'lines marked “by_hand” for reports: 1 are not those', implode(' ', app(Prove::class)->handle()->faults),
        );
        $this->assertStringContainsString(
            'what was sold on the day is off', implode(' ', app(Prove::class)->handle()->faults),
        );
    }

    /** @return iterable<string, array{string}> */
    public static function reports(): iterable
    {
        foreach (
            [
                'sales', 'returns', 'customers', 'sellers', 'stock-value', 'prices-by-hand', 'approvals', 'tax', 'held',
                'receivables',
            ] as $key
        ) {
            yield $key => [$key];
        }
    }

    #[DataProvider('reports')]
    public function test_every_report_answers_by_all_it_can_be_by_with_rows_and_without(string $key): void
    {
        foreach ([false, true] as $hasTrade) {
            $hasTrade && $this->trade();
            $definition = AllReports::find($key);
            $this->assertNotNull($definition);

            foreach (array_keys($definition->by()) as $by) {
                foreach (['', 'before', 'year'] as $compare) {
                    $query = http_build_query([
                        'by' => $by, 'compare' => $compare, 'from' => $this->period()->from->format('Y-m-d'),
                        'until' => $this->period()->until->format('Y-m-d'),
                    ]);
                    $this->as('901')->get("/reports/{$key}?{$query}")->assertOk()->assertSee($definition->title());
                    $this->assertStringContainsString(
                        "\r\n", $this->get("/reports/{$key}/table.csv?{$query}")->assertOk()->streamedContent(),
                    );
                }
            }
        }
    }

    public function test_a_period_is_set_beside_the_one_before_day_by_day(): void
    {
        $this->trade();
        $today = CarbonImmutable::today();
        $query = "from={$today->subDay()->format('Y-m-d')}&until={$today->format('Y-m-d')}&compare=before";
        $page = $this->as('301')->get("/reports/sales?{$query}")->assertOk();
        $page->assertSee('191.85')->assertSee('class="had"', false)->assertSee('Outline');
        $this->get("/reports/sales?{$query}&sort=net")->assertOk();
    }

    public function test_a_figure_leads_to_its_documents_and_only_to_those_one_may_see(): void
    {
        $this->trade();
        $day = CarbonImmutable::today()->subDays(2)->format('Y-m-d');
        $link = app(Sales::class)->entries(new Asked($this->period(), 'day'))[0]->link;
        $this->assertStringContainsString("from={$day}", $link);
        $this->as('301')->get($link)->assertOk()->assertSee('INV-000001')->assertDontSee('INV-000002');
        $elsewhere = Till::query()->findOrFail(3)->location_id;
        Shop::query()->firstOrFail()->update(['see_other_locations' => false]);
        $this->as('101')->get("/documents?location={$elsewhere}")->assertOk()->assertDontSee('INV-000003');
        $this->as('301')->get("/documents?location={$elsewhere}")->assertSee('INV-000003');
    }

    public function test_who_may_not_see_a_report_does_not_by_its_address_either(): void
    {
        foreach (['', '/sales', '/tax', '/stock-value', '/sales/table.csv'] as $page) {
            $this->as('101')->get("/reports{$page}")->assertForbidden();
        }

        $this->get('/today')->assertForbidden();
        $this->as('201')->get('/reports')->assertOk()->assertSee('Sales')->assertDontSee('/reports/tax');
        $this->get('/reports/tax')->assertForbidden();
        $this->get('/reports/held/table.csv')->assertForbidden();
        $this->as('901')->get('/reports/everything')->assertNotFound();
    }

    public function test_what_is_asked_wrongly_is_said_beside_it(): void
    {
        $this->as('301');

        foreach (
            [
                'from=2027-05-02&until=2027-05-01' => 'from', 'from=2015-05-02&until=2027-05-01' => 'from',
                'from=May&until=2027-05-01' => 'from', 'period=ever' => 'period', 'location=99999' => 'location',
                'customer=424242' => 'customer', 'item=NOTHING' => 'item', 'hours_from=9' => 'hours_from',
                'hours_from=12:00&hours_until=11:00' => 'hours_until', 'compare=best' => 'compare',
                'way=shells' => 'way',
            ] as $query => $field
        ) {
            $this->get("/reports/sales?{$query}")->assertRedirect()->assertSessionHasErrors($field);
        }

        $this->get('/reports/sales?by=magic&sort=nothing')->assertOk();
    }

    public function test_formulas_in_names_stay_texts_in_the_file(): void
    {
        $this->as('101')->sellTo($this->customer('=HYPERLINK("x")'), 'LH-1140');
        $csv = $this->as('301')->get('/reports/sales/table.csv?by=customer')->streamedContent();
        $this->assertStringContainsString("'=HYPERLINK", $csv);
        $this->assertStringNotContainsString(',=HYPERLINK', $csv);
    }

    public function test_bars_of_nothing_of_one_and_of_very_many(): void
    {
        $answer = fn (int $rows): Answer => Answer::to(new class($rows) extends OneReport
        {
            protected const BY = ['x' => 'x'];

            public function __construct(private readonly int $rows)
            {
            }

            public function figures(Asked $asked): array
            {
                return [Figure::money('net', 'Net')];
            }

            public function entries(Asked $asked): array
            {
                return array_map(
                    static fn (int $i): Entry => new Entry("{$i}", "<b>{$i}</b>", ['net' => $i % 2 === 0 ? $i : -$i]),
                    $this->rows === 0 ? [] : range(1, $this->rows),
                );
            }
        }, new Asked($this->period(), 'x'), $this->staff('901'), app(House::class));
        $this->assertSame('', Bars::svg($answer(0)));
        $this->assertSame(1, substr_count(Bars::svg($answer(1)), 'class="bar"'));
        $many = Bars::svg($answer(10_000));
        $this->assertSame(24, substr_count($many, 'class="bar"'));
        $this->assertStringNotContainsString('<b>', $many);
        $this->assertNotFalse(simplexml_load_string($many));
    }

    public function test_hours_are_of_the_shops_clock_also_over_its_change(): void
    {
        config(['house.timezone' => 'Europe/Vienna']);
        $period = Period::between(CarbonImmutable::parse('2026-10-24'), CarbonImmutable::parse('2026-10-26'));

        // In Vienna the clock goes back at 2026-10-25 01:00 UTC: IANA time zone database.
        foreach (
            [
                '2026-10-24 10:00:00' => '2026-10-24 12:00:00', '2026-10-25 00:59:59' => '2026-10-25 02:59:59',
                '2026-10-25 01:00:00' => '2026-10-25 02:00:00', '2026-10-26 10:00:00' => '2026-10-26 11:00:00',
            ] as $utc => $local
        ) {
            $found = DB::selectOne('SELECT '.LocalTime::sql("'{$utc}'", $period).' AS t');
            $this->assertStringStartsWith($local, (string) $found->t);
        }
    }

    public function test_periods_are_named_and_set_beside_each_other(): void
    {
        $today = CarbonImmutable::parse('2027-03-31');
        $words = static fn (?Period $period): string => $period === null
            ? '' : implode(' ', $period->dates());
        $this->assertSame('2027-03-01 2027-03-31', $words(Period::named('this-month', $today)));
        $this->assertSame('2027-02-01 2027-02-28', $words(Period::named('last-month', $today)));
        $this->assertSame('2027-02-01 2027-02-28', $words(Period::named('this-month', $today)?->before()));
        $this->assertSame('2026-03-01 2026-03-31', $words(Period::named('this-month', $today)?->yearBefore()));
        $this->assertSame('2027-03-29 2027-03-31', $words(Period::named('this-week', $today)));
        $this->assertSame('2026-10-01 2026-12-31', $words(Period::named('last-quarter', $today)));
        $this->assertSame('2027-02-26 2027-03-02', $words(Period::between(
            CarbonImmutable::parse('2027-03-03'), CarbonImmutable::parse('2027-03-07'),
        )->before()));
        $leap = Period::between(CarbonImmutable::parse('2028-02-01'), CarbonImmutable::parse('2028-02-29'));
        $this->assertSame('2027-02-01 2027-02-28', $words($leap->yearBefore()));
        $this->assertSame('2028-01-01 2028-01-31', $words($leap->before()));
        $this->assertThrows(static fn () => Period::between($today, $today->subDay()), Refused::class);
        $this->assertNull(Period::named('ever', $today));
    }

    public function test_a_report_is_kept_as_somebody_likes_it_and_mailed_once(): void
    {
        $this->trade();
        $keep = fn (array $fields) => $this->as('301')->post('/reports/sales/keep', [
            'by' => 'department', 'period' => 'last-month', ...$fields,
        ]);
        $keep(['name' => ''])->assertSessionHasErrors('refused');
        $keep(['name' => 'Mine', 'every' => 'day', 'mail_to' => 'nobody'])->assertSessionHasErrors('refused');
        $keep(['name' => 'Mine', 'every' => 'day', 'mail_to' => 'office@tannery.example'])->assertSessionHasNoErrors();
        $keep(['name' => 'Mine', 'every' => 'day', 'mail_to' => 'office@tannery.example'])->assertSessionHasNoErrors();
        $this->assertSame(1, $this->rows('kept_reports'));
        $this->get('/reports')->assertSee('Mine')->assertSee('office@tannery.example');
        $before = $this->rows('sent_mails');
        Artisan::call('reports:mail');
        Artisan::call('reports:mail');
        $this->assertSame($before + 1, $this->rows('sent_mails'));
        $this->staff('301')->update(['active' => false]);
        $this->travel(1)->days();
        Artisan::call('reports:mail');
        $this->assertSame($before + 1, $this->rows('sent_mails'), 'Who left gets none.');
        $id = (int) DB::table('kept_reports')->value('id');
        $this->as('901')->post("/reports/kept/{$id}/forget");
        $this->assertSame(1, $this->rows('kept_reports'), 'It is another’s.');
    }

    public function test_the_front_page_says_how_it_goes_and_what_needs_eyes(): void
    {
        $this->get('/today')->assertForbidden();
        $this->as('901')->get('/today')->assertOk()->assertSee('The books prove')->assertSee('not proved yet');
        $this->trade();
        $this->as('901')->get('/today')->assertOk()->assertSee('Yesterday')->assertSee('30.45')
            ->assertSee('Given away yesterday')->assertSee('Owed on accounts');
    }

    public function test_documents_are_found_by_whatever_somebody_has_in_hand(): void
    {
        $customer = $this->account('500.00');
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id])->assertOk();
        $this->add('LH-1140');
        $this->does('party', ['purchase_order' => 'PO-77', 'job' => 'Mill Lane'])->assertOk();
        $this->does('charge', ['rest' => '1'])->assertOk();
        $this->does('post')->assertOk();
        $charged = $this->document();
        $byCard = $this->sellByCard('MA-0031');
        $this->pay($customer, '1.00', '880017');
        $this->as('301');

        [$one, $two, $receipt] = [$charged->label, $byCard->label, 'RCT-000001'];

        foreach (
            [
                $one => [$one], '1' => [$one, $receipt], 'rct1' => [$receipt], 'Mill Lane' => [$one], 'PO-77' => [$one],
                '103.40' => [$two], $byCard->tenders[0]->last_four => [$two], '880017' => [$receipt],
                'Fern' => [$one, $receipt],
            ] as $typed => $found
        ) {
            $this->assertFinds($found, [$one, $two, $receipt], '/documents?'.http_build_query(['find' => $typed]));
            // A name is a customer's at the counter, and is not looked for in every document they have.
            $this->assertFinds(
                $typed === 'Fern' ? [] : $found,
                [$one, $two, $receipt],
                "/counter/{$this->slip}/find?".http_build_query(['q' => $typed]),
            );
        }

        // What may be a quantity is not taken for an amount, nor one letter for a job.
        $this->assertFinds([], [$one, $two, $receipt], "/counter/{$this->slip}/find?q=1.");
        $this->get("/counter/{$this->slip}/find?q=PO-77")->assertDontSee('All documents with');

        foreach (['2.00', '3.00', '4.00'] as $amount) {
            $this->pay($customer, $amount, '880017');
        }

        $this->get("/counter/{$this->slip}/find?q=880017")
            ->assertSee('All documents with “880017”')
            ->assertSee('RCT-000004')
            ->assertDontSee('RCT-000001');
        $this->get('/documents?find=nothing+like+it')->assertOk()->assertSee('No document matches');
        $this->get('/documents?kind=receipt')->assertSee('RCT-000001')->assertDontSee($byCard->label);
        $this->get('/documents?kind=shells')->assertSessionHasErrors('kind');
    }

    /**
     * @param  list<string>  $found labels
     * @param  list<string>  $all
     */
    private function assertFinds(array $found, array $all, string $address): void
    {
        $page = (string) $this->get($address)->assertOk()->getContent();

        foreach ($all as $label) {
            // What was typed stands in its field, so a document counts only where it is led to.
            $this->assertSame(in_array($label, $found, true), str_contains($page, "/documents/{$label}\""), $label);
        }
    }
}
