<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Proof\Prove;
use Elmstone\Counter\Lines\LineOnSlip;
use Elmstone\Customers\Customer;
use Elmstone\Customers\CustomerSearch;
use Elmstone\Receivables\Accounts\HouseAccount;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;

/** Customers: made, found, changed, merged. */
final class CustomersTest extends FeatureCase
{
    use Charges;

    /**
     * @param  array<string, mixed>  $fields
     * @return array<string, mixed>
     */
    private function fields(array $fields): array
    {
        return [
            'name' => 'Willow Kitchens',
            'kind' => 'firm',
            'phone' => '',
            'mail' => '',
            'country' => 'us',
            ...$fields,
        ];
    }

    public function test_a_customer_with_everything(): void
    {
        $this->as('301')
            ->post(
                '/customers',
                $this->fields([
                    'phone' => '+1 (555) 010-4477',
                    'mail' => 'office@example.com',
                    'tags' => 'builder, kitchens',
                    'discount_percent' => '2.5',
                    'exempt' => ['state_HF'],
                    'certificate' => 'C-7',
                    'certificate_expires' => '2030-01-01',
                    'contacts' => [['name' => 'Odo', 'may_buy' => '1', 'spending_limit' => '250'], ['name' => '']],
                    'addresses' => [['label' => 'Yard', 'street' => '2 Quay', 'town' => 'Tarn']],
                    'contract' => [
                        ['code' => 'LH-1140', 'price' => '3.50', 'from' => '2026-01-01', 'until' => '2030-12-31'],
                    ],
                    'scan' => UploadedFile::fake()->createWithContent(
                        'paper.png',
                        (string) base64_decode(
                            'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR4'
                                .'2mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
                            true,
                        ),
                    ),
                ]),
            )
            ->assertSessionHasNoErrors();
        $customer = Customer::query()
            ->with(['contacts', 'addresses', 'contractPrices'])
            ->firstOrFail();
        $this->assertSame(
            [1001, 'US', '550104477', ['state_HF'], '250.00', '3.5'],
            [
                $customer->number,
                $customer->country,
                $customer->phone_digits,
                $customer->exempt,
                $customer->contacts[0]->spending_limit?->toString(),
                $customer->contractPrices[0]->price->toString(),
            ],
        );
        $this->get('/customers/1001')
            ->assertOk()
            ->assertSee('Scan of it')
            ->assertSee('up to 250.00')
            ->assertSee('LH-1140')
            ->assertSee('builder');
        $this->get('/customers/1001/scan')->assertOk()->assertHeader('Content-Type', 'image/png');
        $this->get('/customers/1001/change')->assertOk()->assertSee('250.00');
        $this->get('/customers?tag=kitchens')->assertSee('Willow');
    }

    public function test_bad_fields_are_said_where_they_stand(): void
    {
        $this->as('301')
            ->post(
                '/customers',
                $this->fields([
                    'name' => '',
                    'mail' => 'x',
                    'discount_percent' => 'much',
                    'exempt' => ['*'],
                    'country' => 'USA',
                ]),
            )
            ->assertSessionHasErrors([
                'name', 'mail', 'discount_percent', 'certificate', 'certificate_expires', 'country',
            ]);
        $this->post('/customers', $this->fields(['discount_percent' => '101']))->assertSessionHasErrors(
            'discount_percent',
        );
        $this->post(
            '/customers',
            $this->fields(['contract' => [['code' => 'NO-SUCH', 'price' => '1']]]),
        )->assertSessionHasErrors(['contract' => 'There is no item NO-SUCH.']);
        $this->post(
            '/customers',
            $this->fields([
                'contract' => [['code' => 'LH-1140', 'price' => '1', 'from' => '2027-02-01', 'until' => '2027-01-01']],
            ]),
        )->assertSessionHasErrors('contract');
        $this->post(
            '/customers',
            $this->fields(['contacts' => [['name' => 'Odo', 'spending_limit' => 'lots']]]),
        )->assertSessionHasErrors('contacts');
        $this->post(
            '/customers',
            $this->fields(['scan' => UploadedFile::fake()->create('virus.exe', 10)]),
        )->assertSessionHasErrors('scan');
        $this->assertSame(0, Customer::query()->count());
    }

    public function test_somebody_like_that_is_shown_before_another_is_made(): void
    {
        $this->customer('Moss & Daughter Tiling', ['phone' => '555 010 4477', 'mail' => 'moss@example.com']);

        foreach (
            [
                ['name' => 'Daughter and Moss Tiling Ltd.'],
                ['name' => 'Other', 'phone' => '(555) 0104477'],
                ['name' => 'Other', 'mail' => 'MOSS@example.com'],
            ] as $like
        ) {
            $this->as('301')->post('/customers', $this->fields($like))->assertSessionHasErrors('duplicate');
        }

        $this->post(
            '/customers',
            $this->fields(['name' => 'Other', 'mail' => 'moss@example.com', 'sure' => '1']),
        )->assertSessionHasNoErrors();
        $this->assertSame(2, Customer::query()->count());
    }

    public function test_they_are_found_by_any_part(): void
    {
        $customer = $this->customer('Quillfeather Joinery', [
            'phone' => '555-010-2219',
            'mail' => 'post@quill.example',
            'town' => 'Overmarsh',
        ]);
        $this->customer('Another');
        $search = app(CustomerSearch::class);

        foreach (
            ['feather', 'join quill', 'overm', 'post@quill', '0102219', '555 010', (string) $customer->number] as $typed
        ) {
            $this->assertSame([$customer->id], $search->find($typed, 5)->modelKeys(), $typed);
        }

        $this->assertSame([], $search->find('100%', 5)->modelKeys());
        $this->assertNull($search->one('e'));
        $this->assertSame($customer->id, $search->one('quill')?->id);
    }

    public function test_clerks_change_the_address_but_not_the_price(): void
    {
        $type = \Elmstone\Customers\CustomerType::query()->create(['name' => 'Trade', 'discount_percent' => '9']);
        $customer = $this->customer();
        $this->as('101')
            ->post(
                "/customers/{$customer->number}",
                $this->fields([
                    'name' => 'Fern & Flint Paving',
                    'town' => 'Tarn',
                    'discount_percent' => '50',
                    'customer_type_id' => $type->id,
                    'exempt' => ['*'],
                    'certificate' => 'x',
                    'certificate_expires' => '2030-01-01',
                ]),
            )
            ->assertSessionHasNoErrors();
        $fresh = $customer->refresh();
        $this->assertSame(
            ['Tarn', null, null, null],
            [$fresh->town, $fresh->discount_percent?->toString(), $fresh->customer_type_id, $fresh->exempt],
        );
    }

    public function test_two_who_change_the_same_customer_are_told(): void
    {
        $customer = $this->customer();
        $this->as('301')
            ->post("/customers/{$customer->number}", $this->fields(['version' => $customer->version]))
            ->assertSessionHasNoErrors();
        $this->post(
            "/customers/{$customer->number}",
            $this->fields(['name' => 'Late', 'version' => $customer->version]),
        )->assertSessionHasErrors('refused');
        $this->assertSame('name', DB::table('customer_changes')->where('after', 'Willow Kitchens')->value('what'));
    }

    public function test_notes_show_at_the_counter_until_they_are_put_away(): void
    {
        $customer = $this->customer();
        $this->as('101')
            ->post("/customers/{$customer->number}/notes", ['text' => ''])
            ->assertSessionHasErrors('refused');
        $this->post("/customers/{$customer->number}/notes", [
            'text' => 'Loading bay closes at four.',
            'at_counter' => '1',
        ]);
        $this->post("/customers/{$customer->number}/notes", ['text' => 'Only for the office.']);
        $this->does('customer', ['customer' => $customer->id])
            ->assertSee('Loading bay')
            ->assertDontSee('Only for the office');
        $this->post(
            "/customers/{$customer->number}/notes/"
                .$customer->notes()->where('at_counter', true)->value('id')
                .'/gone',
        )->assertForbidden();
        $this->as('201')->post(
            "/customers/{$customer->number}/notes/"
                .$customer->notes()->where('at_counter', true)->value('id')
                .'/gone',
        );
        $this->as('101')
            ->does('party', ['job' => 'x'])
            ->assertDontSee('Loading bay');
    }

    public function test_merging_takes_over_what_is_open_and_keeps_the_documents_as_they_were(): void
    {
        $from = $this->account('500.00', 'Ash Roofing');
        $into = $this->account('700.00', 'Ash Roof Works');
        $one = $this->charge($from, 'MA-0031');
        $this->charge($into, 'LH-1140');
        $from->notes()->create(['staff_id' => $this->staff('301')->id, 'text' => 'nice dog']);
        $this->as('301')
            ->post("/accounts/{$from->number}/merge", ['into' => '77'])
            ->assertSessionHasErrors('refused');
        $this->post("/accounts/{$from->number}/merge", ['into' => $from->number])->assertSessionHasErrors([
            'refused' => 'That is the same customer.',
        ]);
        $this->post("/accounts/{$from->number}/merge", ['into' => $into->number])->assertSessionHasNoErrors();
        $this->assertSame([10764, 0], [$this->balance($into), $this->balance($from)]);
        $this->get("/customers/{$from->number}")
            ->assertSee('Merged into')
            ->assertSee($one);
        $this->get("/accounts/{$into->number}")->assertSee($one);
        $this->get("/customers/{$into->number}")->assertSee('nice dog');
        $this->assertSame([$into->id], app(CustomerSearch::class)->find('ash roof', 5)->modelKeys());
        $this->pay($into, '107.64');
        $this->assertSame(0, $this->open($one));
        $this->post("/accounts/{$into->number}/merge", ['into' => $from->number])->assertSessionHasErrors('refused');
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_a_changed_discount_is_on_record(): void
    {
        $customer = $this->customer('Willow Kitchens', ['discount_percent' => '2.5']);
        $this->as('301')
            ->post("/customers/{$customer->number}", $this->fields([
                'discount_percent' => '4',
                'version' => $customer->version,
            ]))
            ->assertSessionHasNoErrors();
        $changed = DB::table('customer_changes')->where('what', 'own discount')->latest('id')->first();
        $this->assertSame(['2.5', '4'], [$changed->before ?? null, $changed->after ?? null]);
    }

    public function test_where_only_the_one_that_goes_had_an_account_the_other_gets_it(): void
    {
        $from = $this->account('500.00', 'Ash Roofing');
        $into = $this->customer('Ash Roof Works');
        $this->charge($from, 'MA-0031');
        $this->as('301')
            ->post("/accounts/{$from->number}/merge", ['into' => $into->number])
            ->assertSessionHasNoErrors();
        $this->assertSame(
            [10340, 50000],
            [$this->balance($into), HouseAccount::query()->findOrFail($into->id)->credit_limit->minor],
        );
    }

    public function test_types_levels_and_an_items_own_price_at_a_level(): void
    {
        $this->as('101')->get('/customers/types')->assertForbidden();
        $this->as('301')
            ->post('/customers/levels', ['name' => 'trade', 'percent_off' => '10'])
            ->assertSessionHasNoErrors();
        $this->post('/customers/levels', ['name' => 'trade', 'percent_off' => '10'])->assertSessionHasErrors([
            'refused' => 'There is one called “trade” already.',
        ]);
        $this->post('/customers/levels', ['name' => 'x', 'percent_off' => '101'])->assertSessionHasErrors('refused');
        $level = (int) DB::table('price_levels')->value('id');
        $this->post('/customers/types', ['name' => '', 'price_level_id' => $level])->assertSessionHasErrors('refused');
        $this->post('/customers/types', [
            'name' => 'Trade',
            'price_level_id' => $level,
            'discount_percent' => '2,5',
        ])->assertSessionHasNoErrors();
        $this->post('/customers/level-prices', [
            'item' => 'LH-1140',
            'price' => [$level => '3.00'],
        ])->assertSessionHasNoErrors();
        $this->get('/customers/types?item=LH-1140')->assertOk()->assertSee('3.00')->assertSee('Limestone hook');
        $customer = $this->customer('Trader', ['customer_type_id' => (int) DB::table('customer_types')->value('id')]);
        $this->as('101')
            ->does('customer', ['customer' => $customer->id])
            ->assertOk();
        $this->add('LH-1140', 'LH-1141');
        $this->assertSame(
            [['3', '2.5'], ['3.96', '2.5']],
            $this->slip()->lines->map(self::priced(...))->all(),
        );
        $this->as('301')
            ->post('/customers/level-prices', ['item' => 'LH-1140', 'price' => [$level => '']])
            ->assertSessionHasNoErrors();
        $this->assertSame(0, $this->rows('level_prices'));
    }

    public function test_a_sale_begins_with_them_attached(): void
    {
        $customer = $this->customer();
        $this->as('101')
            ->post("/customers/{$customer->number}/sell")
            ->assertRedirect();
        $this->assertSame($customer->id, \Elmstone\Counter\Slip\Slip::query()->firstOrFail()->customer_id);
    }

    /** @return array{string, string|null} price and discount */
    private static function priced(LineOnSlip $line): array
    {
        return [$line->unit_price->toString(), $line->discount_percent?->toString()];
    }
}
