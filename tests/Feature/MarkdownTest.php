<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Books\Purpose;
use Elmstone\Catalogue\Item;
use Elmstone\Catalogue\Markdowns\Proposals;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Quantity;
use Elmstone\Core\Pricing\PriceRule;
use Elmstone\Shop\House;
use Elmstone\Shop\Till;
use Elmstone\Stock\BringIn;
use Elmstone\Stock\Incoming;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;

/** Old goods get cheaper: proposed in the morning, taken by a person, ended by new goods. */
final class MarkdownTest extends FeatureCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->as('301');
    }

    private static function item(string $code = 'LH-1140'): Item
    {
        return Item::query()->where('code', $code)->sole();
    }

    /**
     * @param  array<int, string>  $steps percent by days
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function steps(array $steps, string $of = 'LH-1140'): TestResponse
    {
        return $this->post('/markdowns/steps', [
            'of' => self::item($of)->department_id,
            'after' => array_keys($steps),
            'percent' => array_values($steps),
        ]);
    }

    /**
     * @param  array<string, mixed>  $with
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function take(array $with = []): TestResponse
    {
        $version = Proposals::version();

        return $this->post('/markdowns', ['version' => $version, 'department' => 0, ...$this->ticked(), ...$with]);
    }

    /** @return array{shown: list<int>, take: list<int>} all that is proposed, ticked */
    private function ticked(): array
    {
        $all = array_map(
            static fn (mixed $id): int => is_numeric($id) ? (int) $id : 0,
            DB::table('markdown_proposals')->orderBy('item_id')->pluck('item_id')->all(),
        );

        return ['shown' => $all, 'take' => $all];
    }

    private function comesIn(string $code, string $quantity = '5'): void
    {
        app(BringIn::class)->handle(
            [new Incoming(self::item($code), Quantity::of($quantity), Money::of('10', app(House::class)->currency()))],
            Purpose::GoodsIn,
            PostedAt::till(Till::query()->findOrFail(1), 3, CarbonImmutable::today()),
            (string) Str::uuid(),
        );
    }

    /** @return array<string, string|null> price by code */
    private static function proposed(): array
    {
        return DB::table('markdown_proposals as p')->join('items as i', 'i.id', '=', 'p.item_id')
            ->orderBy('i.code')->pluck('p.price', 'i.code')->all();
    }

    public function test_what_is_old_enough_is_proposed_in_the_morning_taken_and_sold_at_its_price(): void
    {
        $list = self::item()->list_price;
        $this->steps([30 => '10', 60 => '25'])->assertRedirect('/markdowns');
        self::assertSame([], self::proposed());
        $this->travelTo(CarbonImmutable::today()->addDays(30)->setTime(7, 50));
        $this->as('101')->get('/counter')->assertRedirect();
        self::assertArrayHasKey('LH-1140', self::proposed(), 'worked out when the counter opened');
        $this->as('301')->get('/markdowns')->assertOk()->assertSee('LH-1140')->assertSee('10 % off');
        $this->get('/markdowns?department='.self::item()->department_id)->assertOk()->assertSee('LH-1140');
        $this->get('/markdowns?department=999')->assertOk()->assertDontSee('LH-1140');
        $this->get('/today')->assertSee('Prices to mark down');
        $this->take()->assertRedirect('/markdowns')->assertSessionHas('done');
        self::assertSame([], self::proposed());
        $marked = self::item()->marked_price;
        self::assertNotNull($marked);
        self::assertTrue($marked->isLessThan($list));
        $this->as('101')->add('2 x LH-1140');
        $line = $this->slip()->lines->sole();
        self::assertSame(PriceRule::Markdown, $line->price_rule);
        self::assertTrue($line->unit_price->equals($marked));
        self::assertTrue($line->list_price->equals($list));
        $this->get("/counter/{$this->slip}")->assertSee('marked down');
        $this->does('card');
        $this->does('post')->assertOk();
        $this->as('301')->get('/items/LH-1140')->assertSee('marked down to')->assertSee('marked down by age');
        $this->assertProves();
    }

    public function test_new_goods_end_it_by_themselves_and_a_transfer_does_not(): void
    {
        $this->steps([10 => '20']);
        $this->travelTo(CarbonImmutable::today()->addDays(10)->setTime(9, 0));
        $this->as('301')->get('/markdowns');
        $this->take();
        self::assertNotNull(self::item()->marked_price);
        $other = DB::table('items')->whereNotNull('marked_on')->count();
        $this->comesIn('LH-1140');
        self::assertNull(self::item()->marked_price);
        self::assertNull(self::item()->marked_on);
        self::assertSame($other - 1, DB::table('items')->whereNotNull('marked_on')->count());
        $this->post('/markdowns/anew');
        self::assertArrayNotHasKey('LH-1140', self::proposed());
        $this->travelTo(CarbonImmutable::today()->addDays(9)->setTime(9, 0));
        $this->as('301')->get('/markdowns');
        self::assertArrayNotHasKey('LH-1140', self::proposed(), 'nine days since goods came in');
        $this->travelTo(CarbonImmutable::today()->addDays(1)->setTime(9, 0));
        $this->as('301')->get('/markdowns');
        self::assertArrayHasKey('LH-1140', self::proposed());
    }

    public function test_what_is_not_ticked_stays_and_what_changed_meanwhile_is_not_taken(): void
    {
        $this->steps([10 => '20']);
        $this->travelTo(CarbonImmutable::today()->addDays(10)->setTime(9, 0));
        $this->as('301')->get('/markdowns');
        $all = $this->ticked()['shown'];
        self::assertGreaterThanOrEqual(3, count($all));
        [$left, $dearer] = [$all[0], $all[1]];
        DB::table('items')->where('id', $dearer)->update(['list_price' => DB::raw('list_price * 2')]);
        $said = 'One had changed since the list was made and was left as it is.';
        $this->take(['take' => array_slice($all, 1)])
            ->assertSessionHas('done', static fn (string $words): bool => str_contains($words, $said));
        self::assertEqualsCanonicalizing(
            array_slice($all, 2),
            DB::table('items')->whereNotNull('marked_on')->pluck('id')->all(),
        );
        self::assertSame([$left], DB::table('markdown_proposals')->pluck('item_id')->all());
        $this->take(['take' => []])->assertSessionHasErrors('refused');
        self::assertSame([$left], DB::table('markdown_proposals')->pluck('item_id')->all());
    }

    public function test_a_list_that_was_worked_out_anew_is_not_taken_unseen(): void
    {
        $this->steps([10 => '20']);
        $this->travelTo(CarbonImmutable::today()->addDays(10)->setTime(9, 0));
        $this->as('301')->get('/markdowns');
        $seen = Proposals::version();
        $this->steps([10 => '50']);
        $this->assertRefused('worked out anew', $this->take(['version' => $seen]));
        self::assertSame(0, DB::table('items')->whereNotNull('marked_on')->count());
    }

    public function test_the_floor_holds_and_a_floor_above_the_list_price_makes_nothing_dearer(): void
    {
        $item = self::item();
        $floor = $item->list_price->value->multipliedBy('0.9');
        DB::table('items')->where('id', $item->id)->update(['floor_price' => (string) $floor]);
        DB::table('items')->where('code', 'LH-1141')->update(['floor_price' => '9999']);
        $this->steps([10 => '50']);
        $this->travelTo(CarbonImmutable::today()->addDays(11)->setTime(9, 0));
        $this->as('301')->get('/markdowns')->assertSee('held at the lowest');
        self::assertTrue($floor->isEqualTo(self::proposed()['LH-1140'] ?? '0'));
        self::assertArrayNotHasKey('LH-1141', self::proposed());
    }

    public function test_steps_that_are_taken_away_give_the_price_back_when_somebody_takes_that(): void
    {
        $this->steps([10 => '20']);
        $this->travelTo(CarbonImmutable::today()->addDays(10)->setTime(9, 0));
        $this->as('301')->get('/markdowns');
        $this->take();
        $this->steps([]);
        self::assertSame([null], array_values(array_unique(self::proposed())));
        $this->get('/markdowns')->assertSee('no step reached any more');
        $this->take();
        self::assertSame(0, DB::table('items')->whereNotNull('marked_on')->count());
    }

    public function test_one_item_can_be_ended_by_hand(): void
    {
        $this->steps([10 => '20']);
        $this->travelTo(CarbonImmutable::today()->addDays(10)->setTime(9, 0));
        $this->as('301')->get('/markdowns');
        $this->take();
        $this->get('/markdowns/now')->assertSee('LH-1140');
        $this->post('/markdowns/now/LH-1140/end')->assertRedirect('/markdowns/now');
        $this->get('/markdowns/now')->assertDontSee('now/LH-1140/end');
        self::assertNull(self::item()->marked_price);
    }

    public function test_what_is_gone_off_sale_or_not_there_is_not_proposed(): void
    {
        DB::table('items')->where('code', 'LH-1140')->update(['active' => false]);
        DB::table('stock')->where('item_id', self::item('LH-1141')->id)->update(['on_hand' => 0, 'committed' => 0]);
        $this->steps([10 => '20']);
        $this->travelTo(CarbonImmutable::today()->addDays(40)->setTime(9, 0));
        $this->as('301')->get('/markdowns');
        self::assertSame([], array_intersect(['LH-1140', 'LH-1141'], array_keys(self::proposed())));
        self::assertNotSame([], self::proposed());
    }

    public function test_steps_typed_wrong_are_said_where_they_stand_and_nothing_is_lost(): void
    {
        $this->from('/markdowns');
        $this->steps([30 => '10', 20 => '20'])->assertSessionHasErrors('steps');
        $this->steps([30 => '101'])->assertSessionHasErrors('percent.0');
        $this->steps([30 => '0'])->assertSessionHasErrors('percent.0');
        $this->steps([30 => ''])->assertSessionHasErrors('percent.0');
        $this->steps([0 => '5'])->assertSessionHasErrors('after.0');
        $this->steps([4000 => '5'])->assertSessionHasErrors('after.0');
        $this->post('/markdowns/steps', ['of' => 9999, 'after' => [], 'percent' => []])->assertSessionHasErrors('of');
        self::assertSame(0, $this->rows('markdown_steps'));
    }
}
