<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Receivables\TermsKind;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Customers\Customer;
use Elmstone\Customers\Drafts\CustomerDraft;
use Elmstone\Customers\SaveCustomer;
use Elmstone\Receivables\Accounts\AccountTerms;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Accounts\ManageAccount;
use Elmstone\Receivables\Ledger\OpenItemRecord;
use Elmstone\Receivables\Payments\PaymentOrder;
use Elmstone\Receivables\Payments\TakePayment;
use Elmstone\Receivables\Statements\StatementKind;
use Elmstone\Receivables\Statements\StatementWay;
use Elmstone\Shop\Till;
use Elmstone\Staff\Staff;
use Illuminate\Support\Str;

/** Customers and house accounts for tests. */
trait Accounts
{
    /** @param  array<string, mixed>  $fields */
    protected function customer(string $name = 'Fern & Flint Paving', array $fields = []): Customer
    {
        return app(SaveCustomer::class)
            ->handle(
                null,
                new CustomerDraft(['name' => $name, 'kind' => 'firm', ...$fields], sureItIsNew: true),
                $this->staff('301'),
            )
            ->refresh();
    }

    /** @param  array<string, mixed>  $terms */
    protected function account(
        string $limit = '500.00',
        string $name = 'Fern & Flint Paving',
        array $terms = [],
    ): Customer {
        $customer = $this->customer($name);
        $terms += [
            'kind' => TermsKind::Net,
            'days' => 30,
            'discount' => null,
            'late' => 15,
            'order' => false,
            'way' => StatementWay::Print,
        ];
        app(ManageAccount::class)->save(
            $customer,
            new AccountTerms(
                Money::of($limit, Currency::of('USD')),
                $terms['kind'],
                $terms['days'],
                $terms['discount'],
                10,
                $terms['late'],
                $terms['order'],
                StatementKind::OpenItem,
                $terms['way'],
                true,
            ),
            'for a test',
            $this->staff('301'),
            null,
        );

        return $customer;
    }

    protected function pay(
        Customer $customer,
        string $amount,
        string $reference = '',
        ?CarbonImmutable $day = null,
    ): int {
        return app(TakePayment::class)->handle(
            new PaymentOrder(
                $customer->id,
                Money::of($amount, Currency::of('USD')),
                TenderKind::Cheque,
                $reference === '' ? (string) random_int(1000, 999999) : $reference,
                $day ?? CarbonImmutable::today(),
                (string) Str::uuid(),
                // Also of whose cheque came back: that is a matter of its own.
                takenAllTheSame: true,
            ),
            Till::query()->with('location')->findOrFail(1),
            $this->staff('301'),
        );
    }

    /** @phpstan-impure */
    protected function balance(Customer $customer): int
    {
        return (int) HouseAccount::query()->whereKey($customer->id)->toBase()->value('balance');
    }

    /** @phpstan-impure */
    protected function open(string $label): int
    {
        return (int) OpenItemRecord::query()->where('label', $label)->toBase()->value('open');
    }

    protected function staff(string $number): Staff
    {
        return Staff::query()->where('number', $number)->firstOrFail();
    }
}
