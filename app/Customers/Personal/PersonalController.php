<?php

declare(strict_types=1);

namespace Elmstone\Customers\Personal;

use Elmstone\Customers\Customer;
use Elmstone\Staff\Staff;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What is kept about a customer: looked at, given to them as a file, erased. */
final readonly class PersonalController
{
    public function __construct(private EraseCustomer $erase)
    {
    }

    public function show(Customer $customer): View
    {
        return view('customers.personal', [
            'customer' => $customer,
            'shown' => $this->erase->shows($customer),
            'hinders' => $customer->erased_at === null ? $this->erase->hinders($customer) : [],
        ]);
    }

    public function file(Customer $customer): StreamedResponse
    {
        $text = json_encode(
            $this->erase->shows($customer),
            JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        );

        return response()->streamDownload(
            static fn () => print $text,
            "customer-{$customer->number}.json",
            ['Content-Type' => 'application/json'],
        );
    }

    public function erase(Request $request, Customer $customer, #[CurrentUser] Staff $by): RedirectResponse
    {
        $this->erase->handle($customer, $request->string('number')->trim()->value(), $by);

        return redirect()->route('customers.personal', $customer)->with('done', 'Erased, for good.');
    }
}
