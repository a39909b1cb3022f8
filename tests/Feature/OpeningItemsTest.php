<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Books\Purpose;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** What was open when these books began, brought in as a table. */
final class OpeningItemsTest extends FeatureCase
{
    use Returning;

    private const HEAD = "customer,number,dated,due,open\n";

    private Customer $customer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->account('5000.00', terms: ['late' => 365]);
        $this->as('301');
    }

    /** @return TestResponse<Response> */
    private function look(string $rows, string $head = self::HEAD): TestResponse
    {
        return $this->post('/tables/open-items', [
            'file' => UploadedFile::fake()->createWithContent('open.csv', $head.$rows),
        ]);
    }

    /** @return TestResponse<Response> */
    private function bringIn(string $rows): TestResponse
    {
        preg_match('/name="csv" value="([0-9a-f]{64})"/', (string) $this->look($rows)->getContent(), $found);

        return $this->post('/tables/open-items/bring-in', ['csv' => $found[1] ?? '']);
    }

    public function test_each_item_comes_onto_its_account_with_its_due_day(): void
    {
        $other = $this->account('100.00', 'Ash Roofing');
        $late = now()->subDays(40)->toDateString();
        $rows = "{$this->customer->number},4711,{$late},{$late},120.00\n{$this->customer->number},4720,{$late},"
            .now()->addDays(5)->toDateString().",30.50\n{$other->number},CR 9,{$late},,-15.25\n";
        $this->look($rows)->assertOk()->assertSee('3 rows:')->assertSee('On 2 accounts')
            ->assertSee('150.50 owed')->assertSee('−15.25 credit');
        $this->assertSame(0, OpenItemRecord::query()->count(), 'Looking brings nothing in.');
        $this->bringIn($rows)->assertSessionHas('done', 'Brought in: 3 new, 0 changed, 0 as they were.');

        $this->assertSame([15050, -1525], [$this->balance($this->customer), $this->balance($other)]);
        $owed = Document::query()->where('purpose', Purpose::OpeningOwed)->orderBy('id')->firstOrFail();
        $this->assertEquals(
            [['receivables' => 12000, 'opening_balances' => -12000], $late, '0.00', '120.00'],
            [
                $this->posted($owed), $owed->due_date?->format('Y-m-d'), $owed->balance_before?->toString(),
                $owed->total->toString(),
            ],
        );
        $this->get('/accounts/calls')->assertSee($this->customer->name);
        $this->get("/accounts/{$this->customer->number}/statement")->assertSee('Owed from before: 4711');
        $this->get('/documents?find=4711')->assertSee($owed->label);
        $this->pay($this->customer, '120.00');
        $this->assertSame(0, $this->open($owed->label));
        $this->assertProves();
    }

    public function test_the_same_is_brought_in_once_from_whatever_file(): void
    {
        $row = "{$this->customer->number},4711,2026-01-05,2026-02-04,120.00\n";
        $this->bringIn($row)->assertSessionHas('done', 'Brought in: 1 new, 0 changed, 0 as they were.');
        $this->look($row)->assertSee('It was brought in before');
        $kept = hash('sha256', self::HEAD.$row);
        $this->assertRefused('not right any more; nothing was brought in', $this->post('/tables/open-items/bring-in', [
            'csv' => $kept,
        ]));
        $this->assertRefused('1 rows are not right', $this->post('/tables/open-items/bring-in', ['csv' => $kept]));
        $this->assertSame(12000, $this->balance($this->customer));
    }

    public function test_a_row_that_is_wrong_is_named_and_none_comes_in(): void
    {
        $number = $this->customer->number;
        $none = $this->customer('Nobody Yet')->number;
        $good = "{$number},1,2026-01-05,2026-02-04,1.00\n";

        foreach (
            [
                "{$none},2,2026-01-05,,1.00" => 'no house account with the number',
                'abc,2,2026-01-05,,1.00' => 'no house account with the number “abc”',
                "{$number},,2026-01-05,,1.00" => 'The number it had is missing',
                "{$number},1,2026-01-05,,1.00" => 'It stands on line 2 already',
                "{$number},2,05/01/2026,,1.00" => '“05/01/2026” (dated) is no date',
                "{$number},2,2026-02-30,,1.00" => '“2026-02-30” (dated) is no date',
                "{$number},2,2026-01-05,2026-01-04,1.00" => 'It is due before it was made',
                "{$number},2,2999-01-05,,1.00" => 'dated on a day to come',
                "{$number},2,2026-01-05,,0" => 'Nothing is open of it',
                "{$number},2,2026-01-05,,1.005" => 'has 2 decimal places',
                "{$number},2,2026-01-05,,99999999999" => 'No amount here is above',
                "{$number},2,2026-01-05,,--3" => 'No minus signs',
                "{$number},".str_repeat('9', 41).',2026-01-05,,1' => 'longer than 40',
            ] as $row => $complaint
        ) {
            $this->look("{$good}{$row}\n")->assertOk()->assertSee($complaint)->assertSee('1 not right')
                ->assertDontSee('Bring them in');
            $this->post('/tables/open-items/bring-in', ['csv' => hash('sha256', self::HEAD."{$good}{$row}\n")])
                ->assertSessionHasErrors('refused');
        }

        $this->assertRefused('There is none called “due”', $this->look($good, "customer,number,dated,open\n"));
        $this->look('')->assertSee('no row under the head');
        $this->assertRefused('Choose a file first', $this->post('/tables/open-items'));
        $this->assertRefused('not here any more', $this->post('/tables/open-items/bring-in', ['csv' => '../../x']));
        $this->assertSame([0, 0], [OpenItemRecord::query()->count(), DB::table('opening_items')->count()]);
    }

    public function test_a_closed_account_takes_none(): void
    {
        $closed = $this->account('10.00', 'Gone Away');
        $this->post("/accounts/{$closed->number}/close", [
            'key' => (string) Str::uuid(), 'reason' => 'moved',
        ])->assertSessionHasNoErrors();
        $this->look("{$closed->number},1,2026-01-05,,5\n")->assertSee('no house account with the number');
    }

    public function test_what_is_open_goes_out_in_the_columns_it_comes_in_by(): void
    {
        $number = $this->customer->number;
        $this->bringIn("{$number},A-1,2026-01-05,2026-02-04,80.00\n{$number},A-2,2026-01-06,,-12.50\n");
        $out = $this->get('/tables/open-items.csv')->assertOk()->streamedContent();
        $this->assertStringStartsWith(trim(self::HEAD), $out);
        $this->assertMatchesRegularExpression("/{$number},[A-Z]+-\d+,\d{4}-\d\d-\d\d,2026-02-04,80\.00\r/", $out);
        $this->assertStringContainsString('-12.50', $out);
    }
}
