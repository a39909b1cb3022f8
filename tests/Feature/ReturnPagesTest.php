<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Books\Pages\PaperTrail;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Credits\CardCode;
use Elmstone\Held\Cards\GiftCard;
use Elmstone\Returns\ReturnPolicy;
use Elmstone\Shop\Shop;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** What pages and papers say of goods that come back, cards, credits and coupons. */
final class ReturnPagesTest extends FeatureCase
{
    use Returning;

    private function found(string $typed): string
    {
        return (string) $this->get("/counter/{$this->slip}/find?q=".urlencode($typed))
            ->assertOk()
            ->getContent();
    }

    public function test_the_entry_line_offers_receipts_cards_and_coupons(): void
    {
        $sale = $this->sell('LH-1140');
        DB::table('coupons')->insert([
            'code' => 'SPRING',
            'description' => 'Spring offer',
            'percent' => '10',
            'starts_on' => '2020-01-01',
            'ends_on' => '2021-01-01',
        ]);
        $this->slip = (string) Str::uuid();
        $this->does('gift-cards', ['worth' => '10', 'code' => ''])->assertOk();
        $this->does('cash', ['cash' => '10']);
        $this->does('post')->assertOk();
        $card = GiftCard::query()->sole();
        $this->slip = (string) Str::uuid();
        $this->assertStringContainsString('Bring goods back', $this->found($sale->label));
        $this->assertStringContainsString('Pay with it', $this->found(CardCode::of($this->numberOf($card))->grouped()));
        $this->assertStringContainsString(
            'One digit of this card number is wrong',
            $this->found(substr_replace($number = $this->numberOf($card), (string) ((int) $number[5] ^ 1), 5, 1)),
        );
        $this->assertStringContainsString('ended on 1 Jan 2021', $this->found('spring'));
    }

    public function test_a_document_leads_to_the_counter_and_the_counter_opens_what_can_come_back(): void
    {
        $sale = $this->sell('LH-1140');
        $to = $this->post("/documents/{$sale->label}/bring-back")
            ->assertRedirect()
            ->headers->get('Location');
        $this->assertStringEndsWith("?back={$sale->label}", (string) $to);
        $this->get((string) $to)
            ->assertOk()
            ->assertSee("data-open=\"{$sale->label}\"", false);
    }

    public function test_receipts_say_what_comes_back(): void
    {
        $policy = ReturnPolicy::query()->create([
            'name' => 'Usual',
            'returnable' => true,
            'days' => 30,
            'fee_percent' => '0',
            'words' => 'unused',
        ]);
        Shop::query()->update(['return_policy_id' => $policy->id]);
        $sale = $this->sell('LH-1140');
        $this->get("/documents/{$sale->label}/receipt")
            ->assertOk()
            ->assertSee('Goods come back within 30 days, unused.');
        $this->back($sale, [1 => '1'])->assertOk();
        $this->refund('cash');
        $this->does('post')->assertOk();
        $this->get("/documents/{$this->creditNote()->label}/receipt")
            ->assertOk()
            ->assertDontSee('Goods come back');
    }

    public function test_a_posted_slip_looked_at_again_says_what_it_said(): void
    {
        $sale = $this->sell('2 x LH-1140');
        $this->back($sale, [1 => '2'])->assertOk();
        $this->add('PI-2800')
            ->does('cash', ['cash' => '20'])
            ->assertOk();
        $posted = $this->does('post')->assertOk()->assertSee('8.47')->assertSee('9.41')->getContent();
        $again = $this->get("/counter/{$this->slip}")
            ->assertOk()
            ->assertSee('8.47')
            ->assertSee('9.41')
            ->assertSee($this->creditNote()->label)
            ->getContent();
        $this->assertSame(substr_count((string) $posted, 'Coming back'), substr_count((string) $again, 'Coming back'));
    }

    public function test_the_trail_leads_from_the_sale_over_the_credit_note_to_what_was_taken_along(): void
    {
        $sale = $this->sell('2 x LH-1140');
        $this->back($sale, [1 => '1'])->assertOk();
        $this->add('PI-2800')
            ->does('cash', ['cash' => '20'])
            ->assertOk();
        $this->does('post')->assertOk();
        [$note, $along] = [$this->creditNote(), $this->document()];
        $trail = static fn ($document): string => (new PaperTrail($document->load('tenders', 'refersTo')))->svg();
        $this->assertStringContainsString($note->label, $trail($sale));
        $this->assertStringContainsString($sale->label, $trail($note));
        $this->assertStringContainsString('Taken along 4.24', $trail($note));
        $this->assertStringContainsString('Goods brought back 4.24', $trail($along));
    }

    public function test_an_item_has_a_rule_of_its_own(): void
    {
        $policy = ReturnPolicy::query()->create([
            'name' => 'Cut goods',
            'returnable' => false,
            'days' => null,
            'fee_percent' => '0',
            'words' => '',
        ]);
        $item = Item::query()->where('code', 'PI-2800')->firstOrFail();
        $fields = [
            'code' => 'PI-2800',
            'description' => $item->description,
            'department_id' => 1,
            'unit' => 'metre',
            'price_per' => 1,
            'list_price' => '16.25',
            'cost' => '8',
            'tax_class' => 'standard',
            'active' => '1',
        ];
        $this->as('301')
            ->post('/items/PI-2800', [...$fields, 'return_policy_id' => '999'])
            ->assertSessionHasErrors('return_policy_id');
        $this->post('/items/PI-2800', [
            ...$fields,
            'return_policy_id' => (string) $policy->id,
        ])->assertSessionHasNoErrors();
        $this->get('/items/PI-2800')->assertOk()->assertSee('Cut goods');
        $this->assertSame($policy->id, $item->refresh()->return_policy_id);
    }

    public function test_store_credit_as_of_a_day_gone_by(): void
    {
        $customer = $this->customer('Wren Hollis');
        $this->travelTo(CarbonImmutable::today()->subDays(2)->setTime(9, 0));
        $this->back($this->sellTo($customer, 'LH-1140'), [1 => '1'])->assertOk();
        $this->refund('store_credit');
        $this->does('post')->assertOk();
        $this->travelBack();
        $csv = fn (int $days): string => $this->get(
            '/store-credit.csv?as_of='.CarbonImmutable::today()->subDays($days)->format('Y-m-d'),
        )
            ->assertOk()
            ->streamedContent();
        $this->assertStringContainsString('4.24', $csv(1));
        $this->assertStringNotContainsString('4.24', $csv(3));
        $this->get('/store-credit?as_of=2999-01-01')->assertSessionHasErrors('as_of');
        $this->get('/gift-cards?as_of=tomorrow')->assertSessionHasErrors('as_of');
    }

    public function test_what_is_owed_follows_a_merge(): void
    {
        [$from, $into] = [$this->customer('Wren Hollis'), $this->customer('Wren Hollis and Sons')];
        $this->back($this->sellTo($from, 'LH-1140'), [1 => '1'])->assertOk();
        $this->refund('store_credit');
        $this->does('post')->assertOk();
        app(\Elmstone\Receivables\Accounts\MergeCustomers::class)->handle($from, $into, $this->staff('301'));
        $this->assertSame(
            [$from->id => 0, $into->id => 424],
            DB::table('held_accounts')
                ->where('kind', 'store_credit')
                ->orderBy('customer_id')
                ->pluck('balance', 'customer_id')
                ->all(),
        );
        $this->assertProves();
    }
}
