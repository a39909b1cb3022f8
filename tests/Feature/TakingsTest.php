<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Core\Settlement\TenderKind;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** A day's takings from a pad or another system: checked first, posted once, brought back by who and date. */
final class TakingsTest extends FeatureCase
{
    use Accounts;
    use Returning;

    private const HEAD = 'date,time,number,who,item,department,quantity,price,tax,tender';

    protected function setUp(): void
    {
        parent::setUp();
        $this->as('301');
    }

    /**
     * @param  list<array<string, string>>  $rows
     * @param  array<string, string>  $with
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function check(array $rows, string $day = 'yesterday', array $with = []): TestResponse
    {
        return $this->post('/takings/check', ['day' => $day, 'by_day' => '0', 'rows' => $rows, ...$with]);
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    private function upload(string ...$lines): TestResponse
    {
        return $this->post('/takings/check', [
            'day' => '', 'by_day' => '0',
            'file' => UploadedFile::fake()->createWithContent('day.csv', implode("\n", [self::HEAD, ...$lines])),
        ]);
    }

    /**
     * Posts what was checked, as its page would.
     *
     * @param  TestResponse<\Symfony\Component\HttpFoundation\Response>  $checked
     * @param  array<string, string>  $with
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function posts(TestResponse $checked, array $with = []): TestResponse
    {
        $html = (string) $checked->assertOk()->getContent();
        $fields = [];

        foreach (['csv', 'day', 'customer', 'by_day'] as $name) {
            preg_match_all("/<input type=\"hidden\"\\s+name=\"{$name}\"\\s+value=\"([^\"]*)\"/", $html, $found);
            $fields[$name] = html_entity_decode($found[1][0] ?? '');
        }

        return $this->post('/takings', [...$fields, ...$with]);
    }

    /** @return array<string, string> */
    private static function row(string $price, string $number = '', string $who = '', string $tender = 'cash'): array
    {
        return [
            'item' => 'LH-1140', 'quantity' => '1', 'price' => $price, 'tax' => 'with', 'tender' => $tender,
            'number' => $number, 'who' => $who,
        ];
    }

    public function test_a_sheet_is_checked_and_then_posted_as_a_document_for_each_sale(): void
    {
        $before = $this->documents();
        $checked = $this->check([
            self::row('4.24', 'B-1', 'Maren Holt'),
            ['item' => '', 'department' => 'goods', 'quantity' => '2', 'price' => '10', 'tax' => 'without',
                'tender' => 'card', 'number' => 'B-2', 'who' => 'Ida'],
            self::row('1.00', 'B-1'),
            [],
        ]);
        $checked->assertSee('3 rows are right and')->assertSee(now()->subDay()->format('l, j M Y'))
            ->assertSee('Nothing is posted yet');
        // What each comes to stands beside it, before anything is posted.
        $checked->assertSeeInOrder(['Comes to', '4.24', '22.00', '1.00']);
        self::assertSame($before, $this->documents());
        $this->posts($checked)->assertSessionHas('done', 'Posted as 2 documents.');
        $sales = Document::query()->with(['lines', 'tenders'])->where('kind', 'invoice')->orderBy('id')->get();
        self::assertSame(['5.24', '22.00'], [
            $sales[0]->tenders[0]->amount->toString(), $sales[1]->tenders[0]->amount->toString(),
        ]);
        self::assertSame(
            [TenderKind::Cash, TenderKind::Card],
            [$sales[0]->tenders[0]->kind, $sales[1]->tenders[0]->kind],
        );
        self::assertTrue($sales[0]->business_date->isSameDay(now()->subDay()));
        self::assertSame('Maren Holt, B-1', $sales[0]->lines[0]->note);
        self::assertSame('48', $this->onHand('LH-1140'));
        $this->assertProves();
    }

    public function test_one_document_for_the_day_in_a_customers_name(): void
    {
        $customer = $this->customer('Counter of the market');
        $rows = [self::row('4.24', 'B-1'), self::row('3.00', 'B-2', '', 'card'), self::row('0.99', 'B-3')];
        $this->posts($this->check($rows, 'yesterday', ['by_day' => '1', 'customer' => (string) $customer->number]))
            ->assertSessionHas('done', 'Posted as one document.');
        $sale = Document::query()->with('tenders')->where('kind', 'invoice')->sole();
        self::assertSame($customer->id, $sale->customer_id);
        self::assertSame(['5.23', '3.00'], $sale->tenders->map(
            static fn ($tender): string => $tender->amount->toString(),
        )->all());
        self::assertStringContainsString('B-1 to B-3', $sale->note);
        $this->assertProves();
    }

    public function test_the_date_is_asked_for_and_nothing_typed_is_lost(): void
    {
        $this->check([self::row('4.24', 'B-1', 'Maren')], '')->assertSee('Which day was it?')
            ->assertSee('value="Maren"', false);
        $this->check([self::row('4.24')], '2999-01-01')->assertSee('future');
        $this->check([self::row('4.24')], now()->subDays(9)->format('Y-m-d'))->assertSee('is closed');
        $this->check([])->assertSee('There is nothing to enter yet');
        self::assertSame(0, $this->rows('takings'));
    }

    public function test_each_bad_row_says_what_is_wrong_beside_it_and_nothing_is_posted(): void
    {
        $checked = $this->check([
            self::row('4.24'),
            [...self::row('4.24'), 'item' => 'NO-SUCH'],
            [...self::row('4.24'), 'price' => 'x'],
            [...self::row('4.24'), 'quantity' => '-1'],
            [...self::row('4.24'), 'tender' => 'shells'],
            [...self::row('4.24'), 'item' => '', 'department' => ''],
            [...self::row('4.24'), 'item' => '', 'department' => 'nowhere'],
            [...self::row('4.24'), 'tax' => 'perhaps'],
        ]);
        $checked->assertSee('7 rows are')->assertSee('is no item')->assertSee('how was it paid?')
            ->assertSee('There is no department')->assertSee('is tax in the price?')
            ->assertDontSee('name="csv"', false);
        self::assertSame(0, $this->rows('takings'));
    }

    public function test_the_same_file_again_posts_nothing_and_one_changed_row_is_found_out(): void
    {
        $day = now()->subDay()->format('Y-m-d');
        $lines = array_map(
            static fn (int $n): string => "{$day},09:{$n},A-{$n},Who {$n},LH-1140,,1,4.24,with,cash",
            range(10, 19),
        );
        $this->posts($this->upload(...$lines))->assertSessionHas('done', 'Posted as 10 documents.');
        $documents = $this->documents();
        $this->upload(...$lines)->assertSee('10 were')->assertDontSee('name="csv"', false);
        // One row changed: its number was entered before, otherwise.
        $lines[3] = "{$day},09:13,A-13,Who 13,LH-1140,,2,4.24,with,cash";
        $this->upload(...$lines)->assertSee('A-13 of')->assertSee('was entered before, otherwise')
            ->assertDontSee('name="csv"', false);
        // Another row is new, and alone posted.
        $lines[3] = "{$day},09:13,A-13,Who 13,LH-1140,,1,4.24,with,cash";
        $this->posts($this->upload(...[...$lines, "{$day},10:00,A-99,,LH-1140,,1,4.24,with,cash"]))
            ->assertSessionHas('done', 'Posted as one document.');
        self::assertSame($documents + 1, $this->documents());
        $this->assertProves();
    }

    public function test_two_alike_in_one_file_are_two_and_sent_twice_they_are_posted_once(): void
    {
        $day = now()->subDay()->format('Y-m-d');
        $line = "{$day},,,,LH-1140,,1,4.24,with,cash";
        $checked = $this->upload($line, $line);
        $this->posts($checked)->assertSessionHas('done', 'Posted as 2 documents.');
        $this->posts($checked)->assertSessionHasErrors('day');
        self::assertSame(2, $this->rows('takings_rows'));
    }

    public function test_it_comes_back_by_who_and_date_and_the_credit_note_says_who(): void
    {
        $rows = [self::row('4.24', 'B-1', 'Maren Holt'), self::row('4.24', 'B-2', 'Ida Moss')];
        $this->posts($this->check($rows, 'yesterday', ['by_day' => '1']))->assertSessionHasNoErrors();
        $sale = Document::query()->where('kind', 'invoice')->sole();
        $this->as('101');
        $this->slip = (string) Str::uuid();

        foreach (['Maren yesterday', 'holt '.now()->subDay()->format('j M'), 'B-1'] as $typed) {
            $this->get("/counter/{$this->slip}/back/find?q=".urlencode($typed))->assertOk()
                ->assertSee("{$sale->id}:1")->assertDontSee("{$sale->id}:2");
        }

        $this->back($sale, [1 => '1'])->assertOk()->assertSee('sold to Maren Holt');
        $this->refund('cash')->assertOk();
        $this->does('post')->assertOk();
        self::assertSame('Maren Holt', $this->creditNote()->lines[0]->note);
        self::assertSame('4.24', $this->creditNote()->total->abs()->toString());
        $this->assertProves();
    }

    public function test_a_till_that_is_not_open_or_for_training_takes_none(): void
    {
        $checked = $this->check([self::row('4.24')]);
        DB::table('till_sessions')->where('till_id', 1)->update(['state' => 'counted']);
        $this->posts($checked)->assertSessionHasErrors('day');
        DB::table('tills')->where('id', 1)->update(['training' => 1]);
        $this->posts($checked);
        self::assertSame(0, $this->rows('takings_rows'));
        self::assertSame('50', $this->onHand('LH-1140'), 'nothing is half posted');
    }
}
