<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Payments;

use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Receivables\Accounts\AccountStanding;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Shop\House;

/** What the page of a payment shows beside the money: whose account it is, and how that stands. */
final readonly class PaymentWork
{
    public function __construct(private House $house)
    {
    }

    /**
     * @return array<string, mixed> what the page and its parts are drawn from
     *
     * @throws Refused not_an_account
     */
    public function of(Customer $customer, PaymentForm $form): array
    {
        $account = HouseAccount::query()->where('customer_id', $customer->id)->first()
            ?? throw Refused::because('not_an_account', 'This customer has no house account. Open one first.');

        return [
            'customer' => $customer,
            'house' => $this->house,
            'standing' => AccountStanding::of($account, $this->house),
            'page' => PaymentPage::of($customer->id, $form, $this->house),
            'form' => $form,
            'refused' => null,
            'credit' => null,
            'action' => route('accounts.payment.store', $customer),
            'draw' => route('accounts.payment.draw', $customer),
        ];
    }
}
