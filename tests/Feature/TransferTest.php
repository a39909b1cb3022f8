<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Accounts;
use Elmstone\Catalogue\Item;
use Elmstone\Purchasing\Transfers\Transfer;
use Elmstone\Purchasing\Transfers\TransferState;
use Elmstone\Shop\Location;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;

/** Goods from one location to another: sent, on their way, counted in, missing. HF has 50 of LH-1140 at 1.92. */
final class TransferTest extends FeatureCase
{
    use Ordering;

    protected function setUp(): void
    {
        parent::setUp();
        $this->customer = $this->customer('Weir Masonry', ['phone' => '555 0134', 'mail' => 'office@weir.example']);
        $this->as('301');
    }

    private function place(string $code): Location
    {
        return Location::query()->where('code', $code)->firstOrFail();
    }

    private function elsewhere(): Location
    {
        return Location::query()->where('code', '<>', 'HF')->orderBy('id')->firstOrFail();
    }

    private function aThirdPlace(): Location
    {
        $third = $this->place('HF')->replicate()->fill(['code' => 'X3', 'name' => 'Third yard', 'town' => 'Thirdham']);
        $third->save();
        $till = (array) DB::table('tills')->first();
        DB::table('tills')->insert(
            [...$till, 'id' => null, 'location_id' => $third->id, 'number' => 33, 'name' => 'Till 33'],
        );

        return $third;
    }

    private function goesTo(Location $place): void
    {
        $this->withSession(['till' => (int) DB::table('tills')->where('location_id', $place->id)->min('id')]);
    }

    /** @return string on hand here, there, and worth on its way */
    private function stands(string $code = 'LH-1140'): string
    {
        $item = $this->item($code)->id;
        $at = static fn (Location $place): string => (string) (float) DB::table('stock')
            ->where('item_id', $item)
            ->where('location_id', $place->id)
            ->value('on_hand');
        $onWay = DB::table('journal_lines')->where('account', Accounts::GOODS_ON_WAY)->sum(DB::raw('debit - credit'));

        return "{$at($this->place('HF'))} {$at($this->elsewhere())} ".(int) $onWay;
    }

    /**
     * @param  array<string>  $rows "12 LH-1140"
     * @param  array<string, mixed>  $more
     * @return TestResponse<Response>
     */
    private function sends(array $rows, array $more = []): TestResponse
    {
        return $this->post('/transfers', [
            'key' => (string) Str::uuid(),
            'to' => (string) $this->elsewhere()->id,
            'rows' => array_map(
                static fn (string $row): array => array_combine(['many', 'code'], explode(' ', $row)),
                $rows,
            ),
            ...$more,
        ])->assertRedirect();
    }

    private function sent(string ...$rows): Transfer
    {
        $this->sends($rows)->assertSessionHasNoErrors();

        return Transfer::query()->orderByDesc('id')->firstOrFail();
    }

    /**
     * @param  array<int, string>  $arrived by position
     * @param  array<string, mixed>  $more
     * @return TestResponse<Response>
     */
    private function counts(Transfer $transfer, array $arrived, array $more = []): TestResponse
    {
        return $this->post("/transfers/{$transfer->label}", [
            'key' => (string) Str::uuid(),
            'version' => (string) $transfer->refresh()->version,
            'arrived' => $arrived,
            ...$more,
        ])->assertRedirect();
    }

    public function test_goods_are_sent_are_on_their_way_and_are_counted_in(): void
    {
        $transfer = $this->sent('12 LH-1140', '3 LH-1141');
        $this->assertSame('38 0 2964', $this->stands());
        $this->assertProves();
        $this->get('/transfers')->assertOk()->assertSee($transfer->label);
        $this->goesTo($this->aThirdPlace());
        $this->get("/transfers/{$transfer->label}")->assertOk()->assertSee('You are in');
        $this->counts($transfer, [1 => '12'])->assertSessionHasErrors();
        $this->goesTo($this->elsewhere());
        $this->get("/transfers/{$transfer->label}")->assertOk()->assertSee('Count it in');
        $this->counts($transfer, [1 => '5'])->assertSessionHasNoErrors();
        $this->assertSame('38 5 2004', $this->stands());
        $this->assertProves();
        $this->counts($transfer, [1 => '7', 2 => '3'])->assertSessionHasNoErrors();
        $this->assertSame('38 12 0', $this->stands());
        $this->assertSame(TransferState::Done, $transfer->refresh()->state);
        $this->assertSame('1.92', $this->item('LH-1140')->cost->toString());
        $this->assertProves();
    }

    public function test_what_is_missing_leaves_the_books_with_its_reason(): void
    {
        $transfer = $this->sent('12 LH-1140');
        $this->goesTo($this->elsewhere());
        $this->counts($transfer, [1 => '10'], ['missing' => [1 => '2']])->assertSessionHasErrors('why');
        $this->counts($transfer, [1 => '10'], ['missing' => [1 => '2'], 'why' => 'fell off'])
            ->assertSessionHasNoErrors();
        $this->assertSame('38 10 0', $this->stands());
        $this->assertSame(TransferState::Done, $transfer->refresh()->state);
        $this->assertSame(384, (int) DB::table('journal_lines')->where('account', Accounts::STOCK_DIFFERENCES)
            ->sum(DB::raw('debit - credit')));
        $this->get("/transfers/{$transfer->label}")->assertOk()->assertSee('fell off');
        $this->assertProves();
    }

    public function test_a_clerk_says_nothing_is_missing_for_good_and_nobody_beyond_what_they_write_off(): void
    {
        $transfer = $this->sent('12 LH-1140');
        $this->as('101');
        $this->goesTo($this->elsewhere());
        $this->counts($transfer, [1 => '10'], ['missing' => [1 => '2'], 'why' => 'fell off'])
            ->assertSessionHasErrors();
        $this->assertStringContainsString('supervisor', implode(' ', session('errors')->all()));
        $this->counts($transfer, [1 => '10'])->assertSessionHasNoErrors();
        $this->as('201');
        $this->goesTo($this->elsewhere());
        // A supervisor writes off as much a day as was written off before and this together.
        DB::table('role_limits')->insert([
            'role' => 'supervisor', 'matter' => 'write_off', 'per_document' => 200, 'per_original' => 200,
            'per_day' => 200, 'approves' => 0,
        ]);
        $this->counts($transfer, [], ['missing' => [1 => '2'], 'why' => 'fell off'])->assertSessionHasErrors();
        $this->counts($transfer, [], ['missing' => [1 => '1'], 'why' => 'fell off'])->assertSessionHasNoErrors();
        $this->counts($transfer, [], ['missing' => [1 => '1'], 'why' => 'fell off'])->assertSessionHasErrors();
        $this->assertSame('38 10 192', $this->stands());
        $this->assertProves();
    }

    public function test_a_lorry_that_turns_round_is_counted_in_where_it_came_from(): void
    {
        $transfer = $this->sent('12 LH-1140');
        $this->counts($transfer, [1 => '12'])->assertSessionHasNoErrors();
        $this->assertSame('50 0 0', $this->stands());
        $this->assertProves();
    }

    public function test_who_waits_there_gets_them_first(): void
    {
        $there = $this->elsewhere();
        $this->as('101');
        $this->goesTo($there);
        $order = $this->order([], '5 x LH-1140');
        $this->assertSame('0 0 5 0', $this->line($order));
        $this->as('301');
        $this->goesTo($this->place('HF'));
        $this->get("/transfers/new?to={$there->id}")->assertOk()->assertSee('wait for 5');
        $transfer = $this->sent('8 LH-1140');
        $this->goesTo($there);
        $this->counts($transfer, [1 => '8'])->assertSessionHasNoErrors();
        $this->assertSame('0 5 0 0', $this->line($order));
        $this->assertSame(1, DB::table('sent_mails')->where('recipient', 'office@weir.example')->count());
        $this->assertProves();
    }

    public function test_a_piece_is_sent_and_counted_in_by_its_number(): void
    {
        Item::query()->where('code', 'LH-1140')->update(['has_serials' => true]);
        $this->sends(['2 LH-1140'])->assertSessionHasErrors();
        $row = ['many' => '2', 'code' => 'LH-1140', 'serials' => 'A1, A2'];
        $this->sends([], ['rows' => [$row]])->assertSessionHasNoErrors();
        $this->sends([], ['rows' => [['many' => '1'] + ['serials' => 'A1'] + $row]])->assertSessionHasErrors();
        $transfer = Transfer::query()->firstOrFail();
        $this->goesTo($this->elsewhere());
        $this->counts($transfer, [1 => '1'], ['serials' => [1 => 'A3']])->assertSessionHasErrors();
        $this->counts($transfer, [1 => '1'], ['serials' => [1 => 'A2']])->assertSessionHasNoErrors();
        $this->assertSame('in', DB::table('item_serials')->where('serial', 'A2')->value('state'));
        $this->assertSame('out', DB::table('item_serials')->where('serial', 'A1')->value('state'));
        $this->assertProves();
    }

    /** @return iterable<string, array{list<string>, array<string, mixed>, string}> */
    public static function badSheets(): iterable
    {
        yield 'nothing' => [[], [], 'at least one'];
        yield 'more than there is' => [['51 LH-1140'], [], 'are here'];
        yield 'more than there is, by two rows' => [['30 LH-1140', '30 LH-1140'], [], 'are here'];
        yield 'half of a piece' => [['0.5 LH-1140'], [], 'sold whole'];
        yield 'below nothing' => [['-3 LH-1140'], [], 'minus'];
        yield 'a million' => [['1000000 LH-1140'], [], 'so many'];
        yield 'no such item' => [['1 NO-SUCH'], [], 'NO-SUCH'];
        yield 'a past day' => [['1 LH-1140'], ['expected_on' => '2020-01-01'], 'past'];
        yield 'here' => [['1 LH-1140'], ['to' => 'HF'], 'already'];
        yield 'nowhere' => [['1 LH-1140'], ['to' => '999'], 'where the goods go'];
    }

    /**
     * @param  list<string>  $rows
     * @param  array<string, mixed>  $more
     */
    #[DataProvider('badSheets')]
    public function test_a_bad_sheet_is_refused_and_nothing_leaves(array $rows, array $more, string $says): void
    {
        isset($more['to']) && ($more['to'] = (string) Location::query()->where('code', $more['to'])->value('id'));
        $this->sends($rows, $more)->assertSessionHasErrors();
        $this->assertStringContainsString($says, implode(' ', session('errors')->all()));
        $this->assertSame('50 0 0', $this->stands());
    }

    public function test_what_is_set_aside_stays(): void
    {
        $this->as('101')->order([], '45 x LH-1140');
        $this->as('301')->sends(['6 LH-1140'])->assertSessionHasErrors();
        $this->assertStringContainsString('only 5 are free', implode(' ', session('errors')->all()));
        $this->sends(['5 LH-1140'])->assertSessionHasNoErrors();
        $this->assertProves();
    }

    public function test_more_than_was_sent_and_twice_the_same_are_refused(): void
    {
        $key = (string) Str::uuid();
        $this->sends(['12 LH-1140'], ['key' => $key])->assertSessionHasNoErrors();
        $this->sends(['12 LH-1140'], ['key' => $key])->assertSessionHasNoErrors();
        $this->assertSame(1, Transfer::query()->count());
        $transfer = Transfer::query()->firstOrFail();
        $this->goesTo($this->elsewhere());
        $this->counts($transfer, [1 => '13'])->assertSessionHasErrors();
        $this->counts($transfer, [1 => '12'], ['missing' => [1 => '1'], 'why' => 'x'])->assertSessionHasErrors();
        $this->counts($transfer, [])->assertSessionHasErrors();
        $this->counts($transfer, [2 => '1'])->assertSessionHasErrors();
        $count = (string) Str::uuid();
        $this->counts($transfer, [1 => '6'], ['key' => $count])->assertSessionHasNoErrors();
        $this->counts($transfer, [1 => '6'], ['key' => $count, 'version' => '1'])->assertSessionHasNoErrors();
        $this->counts($transfer, [1 => '6'], ['version' => '1'])->assertSessionHasErrors();
        $this->assertSame('38 6 1152', $this->stands());
        $this->counts($transfer, [1 => '6'])->assertSessionHasNoErrors();
        $this->counts($transfer, [1 => '1'])->assertSessionHasErrors();
        $this->assertProves();
    }

    public function test_the_list_that_goes_with_them(): void
    {
        $transfer = $this->sent('12 LH-1140');
        $pdf = $this->get("/transfers/{$transfer->label}/list.pdf")->assertOk();
        $this->assertSame('application/pdf', $pdf->headers->get('Content-Type'));
    }

    public function test_what_is_on_its_way_is_seen_where_it_goes(): void
    {
        $this->sent('12 LH-1140');
        $this->goesTo($this->elsewhere());
        $this->slip = (string) Str::uuid();
        $this->get("/counter/{$this->slip}/find?q=LH-11")->assertOk()->assertSee('12 on order');
    }
}
