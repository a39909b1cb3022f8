<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Catalogue\Belongings;
use Elmstone\Catalogue\Item;
use Elmstone\Core\Money\Refused;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** What is seen from the counter without leaving it, and what goes from there onto the slip. */
final class LookTest extends FeatureCase
{
    use Charges;

    private function look(string $what): string
    {
        return (string) $this->get("/counter/{$this->slip}/look{$what}")
            ->assertOk()
            ->getContent();
    }

    private function item(string $code): Item
    {
        return Item::query()->where('code', $code)->firstOrFail();
    }

    public function test_an_item_is_looked_at_with_its_stock_its_prices_and_the_last_sales_to_this_customer(): void
    {
        $customer = $this->account('500.00', 'Ash Roofing');
        $label = $this->charge($customer, '3 x LH-1140');
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id])->assertOk();
        $item = $this->item('LH-1140');
        $item->update(['clerk_words' => 'Ask for the length of the eaves.']);
        $item->breaks()->create(['from_quantity' => '10', 'price' => '3.50']);
        Belongings::keep($item, Belongings::named(['PI-2800'], $item->code));
        $version = $this->slip()->version;
        $seen = $this->look("?item={$item->id}");

        $expected = ['HF counter', '47', 'from 10', '3.50', $label, '3 × 3.85', 'length of the eaves', 'PI-2800'];

        foreach ($expected as $words) {
            $this->assertStringContainsString($words, $seen);
        }

        $this->assertStringNotContainsString('lowest accepted', $seen, 'A clerk does not see the floor.');
        $this->assertStringContainsString('lowest accepted', $this->as('201')->look("?item={$item->id}"));
        $this->assertSame($version, $this->slip()->version);
        $this->as('101')->get("/counter/{$this->slip}/look?item=99999")->assertNotFound();
        $fresh = (string) Str::uuid();
        $this->get("/counter/{$fresh}/look?item={$item->id}")->assertOk();
        $this->assertSame(0, DB::table('slips')->where('key', $fresh)->count(), 'Looking makes no slip.');
    }

    public function test_the_customers_standing_is_explained_and_an_open_invoice_is_paid_from_there(): void
    {
        $customer = $this->account('500.00', 'Ash Roofing');
        $young = $this->charge($customer, '2 x LH-1140');
        $this->chargeOn(now()->subDays(60)->toDateString(), $customer, 'LH-1141');
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id])->assertOk();
        $seen = $this->look('/customer');

        foreach (['may still charge', 'days late', $young, '8.47'] as $words) {
            $this->assertStringContainsString($words, $seen);
        }

        $invoice = Document::query()->where('label', $young)->firstOrFail();
        $this->does("invoices/{$invoice->id}")->assertOk()->assertSee("goes on {$young} first");
        $this->does("invoices/{$invoice->id}")->assertStatus(422)->assertSee('being paid on this slip already');
        $this->assertStringContainsString('on it', $this->look('/customer'));
        $this->does('cash', ['cash' => '8.47'])->assertOk();
        $this->does('post')->assertOk();
        $this->assertSame(0, $this->open($young), 'The chosen one, though another is older.');
        $this->assertNotSame(0, $this->balance($customer));
        $this->assertProves();
    }

    public function test_only_what_is_open_on_this_customers_account_is_paid(): void
    {
        $theirs = $this->charge($this->account('500.00', 'Ash Roofing'), 'LH-1140');
        $invoice = Document::query()->where('label', $theirs)->firstOrFail();
        $this->slip = (string) Str::uuid();
        $this->does("invoices/{$invoice->id}")->assertStatus(422);
        $this->does('customer', ['customer' => $this->account('500.00', 'Birch Tiling')->id])->assertOk();
        $this->does("invoices/{$invoice->id}")->assertStatus(422)->assertSee('not open on this customer');
        $this->assertNull($this->slip()->on_account);
    }

    public function test_the_chosen_invoice_goes_with_its_customer(): void
    {
        $customer = $this->account('500.00', 'Ash Roofing');
        $invoice = Document::query()->where('label', $this->charge($customer, 'LH-1140'))->firstOrFail();
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id])->assertOk();
        $this->does("invoices/{$invoice->id}")->assertOk();
        $this->does('on-account', ['on_account' => ''])->assertOk();
        $this->assertNull($this->slip()->on_items);
        $this->does("invoices/{$invoice->id}")->assertOk();
        $this->does('customer', ['customer' => '0'])->assertOk();
        $this->assertSame([null, null], [$this->slip()->on_account, $this->slip()->on_items]);
    }

    public function test_coupons_in_force_that_fit_are_listed_and_no_others(): void
    {
        $coupon = static fn (string $code, array $fields): int => DB::table('coupons')->insertGetId([
            'code' => $code,
            'description' => "{$code} words",
            'percent' => '10',
            'starts_on' => '2020-01-01',
            ...$fields,
        ]);
        $coupon('SMALL', []);
        $coupon('LARGE', ['percent' => '20']);
        $coupon('FORPIPE', ['items' => json_encode([$this->item('PI-2800')->id])]);
        $coupon('MUCH', ['least_spend' => 100000]);
        $coupon('OVER', ['ends_on' => '2021-01-01']);
        $coupon('GIVEN', ['most_uses' => 1]);
        $coupon('USEDUP', ['most_uses' => 5, 'uses' => 5]);
        $coupon('GONE', ['active' => false]);
        $this->add('2 x LH-1140');
        preg_match_all('/data-coupon="(\w+)"/', $this->look('/coupons'), $listed);
        $this->assertSame(['LARGE', 'SMALL'], $listed[1]);
        $this->does('coupons', ['coupon' => 'LARGE'])->assertOk();
        preg_match_all('/data-coupon="(\w+)"/', $this->look('/coupons'), $listed);
        $this->assertSame(['SMALL'], $listed[1]);
    }

    public function test_what_goes_with_an_item_is_offered_until_it_is_there(): void
    {
        $item = $this->item('LH-1140');
        $item->update(['clerk_words' => 'Two to a metre.']);
        Belongings::keep($item, Belongings::named(['PI-2800', 'LH-1141'], $item->code));
        $offered = "data-again=\"{$this->item('PI-2800')->id}\"";
        $this->does('add', ['entry' => 'LH-1140', 'version' => ''])
            ->assertSee('Two to a metre.')
            ->assertSee($offered, false);
        $this->does('add', ['entry' => 'PI-2800', 'version' => ''])
            ->assertDontSee($offered, false)
            ->assertSee('goes with it');
        $this->expectException(Refused::class);
        Belongings::named(['LH-1140'], 'LH-1140');
    }

    public function test_the_items_page_keeps_its_words_and_what_goes_with_it(): void
    {
        $this->as('301');
        $item = $this->item('LH-1140');
        $form = [
            'code' => $item->code, 'description' => $item->description, 'department_id' => $item->department_id,
            'unit' => 'each', 'price_per' => 1, 'list_price' => '3.85', 'cost' => '1.92', 'tax_class' => 'standard',
            'active' => 1, 'may_discount' => 1, 'clerk_words' => 'Mind the edge.',
        ];
        $this->post("/items/{$item->code}", [...$form, 'belongings' => ['NO-SUCH']])
            ->assertSessionHasErrors('belongings.0');
        $this->post("/items/{$item->code}", [...$form, 'belongings' => ['LH-1140']])
            ->assertSessionHasErrors('belongings.0');
        $this->post("/items/{$item->code}", [...$form, 'belongings' => ['PI-2800', '', 'LH-1141']])
            ->assertSessionHasNoErrors();
        $this->get("/items/{$item->code}")->assertSee('Mind the edge.')->assertSee('value="PI-2800"', false);
        $this->assertTrue($item->refresh()->has_belongings);
        $this->post("/items/{$item->code}", $form)->assertSessionHasNoErrors();
        $this->assertFalse($item->refresh()->has_belongings);
    }

    public function test_the_list_is_narrowed_by_department(): void
    {
        $other = DB::table('departments')->insertGetId(['code' => 'more', 'name' => 'More']);
        Scene::item('LH-9000', 'Limestone hook, odd', '9.00', ['department_id' => $other]);
        $url = "/counter/{$this->slip}/find?q=limestone";
        $this->get($url)->assertDontSee('data-department', false);
        $this->get("{$url}&more=1")->assertSee('Goods')->assertSee('More')->assertSee('LH-1140');
        $this->get("{$url}&more=1&department={$other}")->assertSee('LH-9000')->assertDontSee('LH-1140');
    }
}
