<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Accounts as BooksAccounts;
use Elmstone\Books\Document;
use Elmstone\Books\Proof\Prove;
use Elmstone\Interchange\Ubl\UblInvoice;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Statements\StatementOptions;
use Elmstone\Receivables\Statements\StatementPaper;
use Elmstone\Shop\House;
use Elmstone\Shop\TaxProfileRecord;
use Illuminate\Support\Str;

/** House accounts in shops of another kind: prices with tax in them, a currency without decimals, one with three. */
final class OtherShopsAccountsTest extends FeatureCase
{
    use Accounts;

    protected function shop(): array
    {
        return match (true) {
            str_contains($this->name(), 'tax_in_it') => ['tax_included' => true],
            str_contains($this->name(), 'without_decimals') => ['currency' => 'JPY', 'notes' => [1000, 5000, 10000]],
            str_contains($this->name(), 'three_decimals') => ['currency' => 'KWD', 'notes' => [1000, 5000]],
            default => ['tax_rounding' => 'line'],
        };
    }

    private function charged(): Document
    {
        $this->does('charge', ['rest' => '1'])->assertOk();
        $this->does('post')->assertOk();

        return $this->document();
    }

    private function begin(int $customer, string ...$entries): void
    {
        $this->does('customer', ['customer' => $customer])->assertOk();
        $this->add(...$entries);
    }

    public function test_with_tax_in_it_an_exempt_customer_pays_the_price_without_it(): void
    {
        TaxProfileRecord::query()
            ->firstOrFail()
            ->components()
            ->create([
                'position' => 2,
                'code' => 'county',
                'name' => 'County',
                'rate' => '2',
                'classes' => ['standard'],
                'on_top_of' => ['state_HF'],
            ]);
        BooksAccounts::open();
        $whole = $this->customer('All Exempt', [
            'exempt' => ['*'],
            'certificate' => 'C-1',
            'certificate_expires' => now()->addYear(),
        ]);
        $part = $this->customer('Part Exempt', [
            'exempt' => ['state_HF'],
            'certificate' => 'C-2',
            'certificate_expires' => now()->addYear(),
        ]);
        $this->begin($whole->id, 'MA-0031');
        $this->does('cash', ['cash' => '100'])->assertOk();
        $this->does('post')->assertOk();
        // 94.00 ÷ 1.122: 10 % and 2 % on top of it.
        $this->assertSame([8378, 0], [$this->document()->total->minor, $this->document()->tax_total->minor]);
        $this->slip = (string) Str::uuid();
        $this->begin($part->id, 'MA-0031');
        $this->does('cash', ['cash' => '100'])->assertOk();
        $this->does('post')->assertOk();
        // Without the state's tax the county's stands alone: 94.00 × 1.02 ÷ 1.122.
        $this->assertSame([8545, 168], [$this->document()->total->minor, $this->document()->tax_total->minor]);
        $this->assertStringContainsString(
            '<cbc:Percent>2</cbc:Percent>',
            app(UblInvoice::class)->of($this->document()),
        );
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_without_decimals_accounts_are_charged_paid_and_stated_in_whole_units(): void
    {
        $this->account('500', 'Yen Works');
        $account = HouseAccount::query()->with('customer')->firstOrFail();
        $this->begin($account->customer_id, '3 x MA-0031');
        $document = $this->charged();
        $this->assertSame([310, 310], [$document->total->minor, $this->balance($account->customer)]);
        $this->assertSame(50000, $account->credit_limit->minor);
        $this->as('301')
            ->post("/accounts/{$account->customer->number}/payment", [
                'key' => (string) Str::uuid(),
                'kind' => 'cheque',
                'reference' => '1',
                'day' => now()->toDateString(),
                'spread' => 'oldest',
                'amount' => '100.5',
            ])
            ->assertStatus(422)
            ->assertSee('JPY has 0 decimal places');
        $this->post("/accounts/{$account->customer->number}/payment", [
            'key' => (string) Str::uuid(),
            'kind' => 'cheque',
            'reference' => '1',
            'day' => now()->toDateString(),
            'spread' => 'oldest',
            'amount' => '100',
        ])->assertOk();
        $this->assertSame(
            '210',
            app(StatementPaper::class)->of($account, StatementOptions::of(now()->toImmutable()))['due'],
        );
        $this->get("/accounts/{$account->customer->number}")
            ->assertOk()
            ->assertSee('210')
            ->assertDontSee('210.00');
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_with_three_decimals_nothing_is_lost(): void
    {
        $customer = $this->account('500', 'Dinar Works');
        $this->begin($customer->id, 'LH-1140');
        $document = $this->charged();
        $this->assertSame([4235, 4235], [$document->total->minor, $this->balance($customer)]);
        $this->as('301')
            ->post("/accounts/{$customer->number}/payment", [
                'key' => (string) Str::uuid(),
                'kind' => 'bank_transfer',
                'reference' => 'x',
                'day' => now()->toDateString(),
                'spread' => 'oldest',
                'amount' => '4.234',
            ])
            ->assertOk();
        $this->get("/accounts/{$customer->number}")->assertSee('0.001');
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }

    public function test_rounded_per_line_a_partly_exempt_sale_proves(): void
    {
        TaxProfileRecord::query()
            ->firstOrFail()
            ->components()
            ->create([
                'position' => 2,
                'code' => 'county',
                'name' => 'County',
                'rate' => '1.25',
                'classes' => ['standard'],
                'on_top_of' => [],
            ]);
        BooksAccounts::open();
        $customer = $this->account('500.00', 'Part Exempt');
        $customer->update(['exempt' => ['county'], 'certificate' => 'C-3', 'certificate_expires' => now()]);
        $this->begin($customer->id, '3 x LH-1140', '7 x LH-1141', '250 x FX-5060');
        $this->charged();
        $this->assertSame(['state_HF'], $this->document()->taxes->pluck('component')->all());
        $this->assertSame([], app(Prove::class)->handle()->faults);
    }
}
