<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Customers\Customer;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/** What is kept about a customer is shown to them, and erased where the books allow; documents stay as they are. */
final class PersonalDataTest extends FeatureCase
{
    use Accounts;

    public function test_it_is_shown_and_goes_out_as_a_file_on_record(): void
    {
        $customer = $this->known();
        $this->as('101')->get("/customers/{$customer->number}/personal")->assertForbidden();
        $this->as('301')->get("/customers/{$customer->number}/personal")->assertOk()
            ->assertSee('Likes to be called')->assertSee('Maren Holt');
        $file = json_decode(
            $this->get("/customers/{$customer->number}/personal.json")->assertOk()->streamedContent(), true,
        );
        self::assertSame('Maren Holt', $file['customer'][0]['name']);
        self::assertSame('Statement', $file['mail_history'][0]['subject']);
        self::assertSame($file['documents'][0]['name on it'], 'Maren Holt');
        self::assertSame(1, DB::table('security_log')->where('what', 'exported')->count());
    }

    public function test_it_is_erased_for_good_and_what_is_posted_stays_and_proves(): void
    {
        $customer = $this->known();
        $this->as('301')->post("/customers/{$customer->number}/erase", ['number' => $customer->number])
            ->assertForbidden();
        $this->as('901')->post("/customers/{$customer->number}/erase", ['number' => '1'])
            ->assertSessionHasErrors('refused');
        $this->post("/customers/{$customer->number}/erase", ['number' => (string) $customer->number])
            ->assertSessionHasNoErrors();

        foreach (['Maren', 'maren@holt.example', '5550177', 'Likes to be called', 'Kiln Street'] as $personal) {
            self::assertSame([], $this->tablesWith($personal), $personal);
        }

        $this->get('/customers?q=maren')->assertDontSee('Maren Holt');
        $this->get("/customers/{$customer->number}")->assertOk()->assertSee('Erased');
        $this->post("/customers/{$customer->number}/erase", ['number' => (string) $customer->number])
            ->assertSessionHasErrors('refused');
        self::assertSame(['Maren Holt'], DB::table('documents')->whereNotNull('customer_id')
            ->distinct()->pluck('customer_name')->all());
        self::assertSame(1, DB::table('security_log')->where('what', 'erased')->count());
        $this->assertProves();
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> table, row, words */
    public static function hindrances(): iterable
    {
        yield 'money held' => ['held_accounts', ['kind' => 'deposit', 'balance' => 500], 'Money of theirs is held'];
        yield 'a card on file' => ['cards_on_file', [
            'token' => 'tok_abc', 'card_type' => 'credit', 'last_four' => '4242', 'expires' => '2030-01-31',
            'consent' => 'in_person', 'consent_on' => '2026-01-01', 'kept_by' => 1,
        ], 'card of theirs is on file'];
    }

    /** @param  array<string, mixed>  $row */
    #[DataProvider('hindrances')]
    public function test_not_while_the_house_owes_them_something(string $table, array $row, string $words): void
    {
        $customer = $this->known();
        DB::table($table)->insert([...$row, 'customer_id' => $customer->id]);
        $this->as('901')->get("/customers/{$customer->number}/personal")->assertSee($words);
        $this->post("/customers/{$customer->number}/erase", ['number' => (string) $customer->number])
            ->assertSessionHasErrors('refused');
        self::assertSame('Maren Holt', Customer::query()->findOrFail($customer->id)->name);
    }

    public function test_not_while_they_have_a_house_account(): void
    {
        $customer = $this->account('100.00', 'Ash Roofing');
        $this->as('901')->post("/customers/{$customer->number}/erase", ['number' => (string) $customer->number])
            ->assertSessionHasErrors('refused');
        self::assertSame('Ash Roofing', Customer::query()->findOrFail($customer->id)->name);
    }

    public function test_the_record_of_changes_is_emptied_or_never_changed(): void
    {
        $customer = $this->known();

        $sets = [
            "SET `before` = '', after = ''", "SET after = 'x'", "SET what = 'x', `before` = '', after = ''",
            'SET customer_id = customer_id + 1',
        ];

        foreach ($sets as $set) {
            try {
                DB::statement("UPDATE customer_changes {$set} WHERE customer_id = {$customer->id}");
                self::fail($set);
            } catch (\Illuminate\Database\QueryException $refused) {
                self::assertStringContainsString('Posted is posted', $refused->getMessage());
            }
        }
    }

    /** Somebody with everything that is kept of a person. */
    private function known(): Customer
    {
        $this->as('301')->post('/customers', [
            'kind' => 'person', 'name' => 'Maren Holt', 'phone' => '555 0177', 'mail' => 'maren@holt.example',
            'street' => '9 Kiln Street', 'town' => 'Ostrey', 'country' => 'US',
        ])->assertSessionHasNoErrors();
        $customer = Customer::query()->where('name', 'Maren Holt')->firstOrFail();
        DB::table('customer_notes')->insert([
            'customer_id' => $customer->id, 'staff_id' => 1, 'text' => 'Likes to be called before eight',
        ]);
        DB::table('contacts')->insert(['customer_id' => $customer->id, 'name' => 'Maren’s son', 'phone' => '5550177']);
        DB::table('mail_history')->insert([
            'customer_id' => $customer->id, 'recipient' => 'maren@holt.example', 'subject' => 'Statement',
        ]);
        DB::table('customer_changes')->insert([
            'customer_id' => $customer->id, 'staff_id' => 1, 'what' => 'mail', 'before' => '',
            'after' => 'maren@holt.example',
        ]);
        $this->as('101');
        $this->slip = (string) \Illuminate\Support\Str::uuid();
        $this->add('LH-1140');
        $this->does('customer', ['customer' => (string) $customer->id])->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();

        return $customer;
    }

    /** @return list<string> columns of tables that are not the books’ in which something stands */
    private function tablesWith(string $personal): array
    {
        $found = [];
        $kept = ['documents', 'slips', 'outbox', 'printed_papers', 'slip_acts'];

        foreach (
            DB::table('information_schema.COLUMNS')
                ->where('TABLE_SCHEMA', DB::getDatabaseName())
                ->whereIn('DATA_TYPE', ['varchar', 'char', 'text', 'mediumtext', 'longtext'])
                ->whereNotIn('TABLE_NAME', $kept)
                ->get(['TABLE_NAME', 'COLUMN_NAME']) as $column
        ) {
            DB::table($column->TABLE_NAME)->where($column->COLUMN_NAME, 'like', "%{$personal}%")->exists()
                && $found[] = "{$column->TABLE_NAME}.{$column->COLUMN_NAME}";
        }

        return $found;
    }
}
