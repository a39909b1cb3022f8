<?php

declare(strict_types=1);

namespace Elmstone\WebOrders\Pages;

use Elmstone\Customers\Customer;
use Elmstone\Orders\OrderWay;
use Elmstone\Shop\Location;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Elmstone\Staff\Staff;
use Elmstone\WebOrders\Sender;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;

/** Who may send orders, and by which token. */
final class SenderController
{
    public function index(): View
    {
        return view('web-orders.senders', [
            'senders' => Sender::query()->with(['location', 'staff', 'customer'])->orderBy('name')->get(),
            'places' => Location::query()->orderBy('name')->get(),
            'ways' => array_filter(OrderWay::cases(), static fn (OrderWay $way): bool => $way->isBrought()),
        ]);
    }

    public function store(Request $request, #[CurrentUser] Staff $by): RedirectResponse
    {
        $sender = Sender::query()->create([
            ...$this->columns($request, null), 'token_hash' => null, 'token_end' => '', 'staff_id' => $by->id,
        ]);

        return $this->withToken($sender, $by, "{$sender->name} may send orders.");
    }

    public function update(Request $request, Sender $sender): RedirectResponse
    {
        $sender->forceFill($this->columns($request, $sender))->save();

        return redirect()->route('web-orders.senders')->with('done', 'Saved.');
    }

    public function token(Sender $sender, #[CurrentUser] Staff $by): RedirectResponse
    {
        return $this->withToken(
            $sender, $by, "{$sender->name} has another token; the one before is worth nothing now.",
        );
    }

    private function withToken(Sender $sender, Staff $by, string $done): RedirectResponse
    {
        SecurityLog::write(SecurityEvent::Token, $by, "token of sender {$sender->code}");

        return redirect()
            ->route('web-orders.senders')
            ->with('done', $done)
            ->with('token', $sender->renewToken())
            ->with('token_of', $sender->code);
    }

    /** Who orders for themselves only; nobody: whoever is named. */
    private function customer(Request $request): ?int
    {
        $customer = $request->filled('customer')
            ? Customer::query()->where('number', $request->integer('customer'))->first()
            : null;
        $request->filled('customer') && $customer === null
            && throw ValidationException::withMessages(['customer' => 'There is no such customer.']);

        return $customer?->id;
    }

    /** @return array<string, mixed> */
    private function columns(Request $request, ?Sender $sender): array
    {
        $request->validate([
            'code' => ['required', 'string', 'max:12', 'regex:/^[A-Z0-9-]+$/D',
                Rule::unique('web_senders')->ignore($sender?->id)],
            'name' => ['required', 'string', 'max:120'],
            'location' => ['required', Rule::exists('locations', 'id')],
            'way' => ['required', 'in:delivery,parcel'],
            'customer' => ['nullable', 'integer'],
        ], [
            'code.required' => 'Give them a short code.',
            'code.regex' => 'Capital letters, digits and hyphens only.',
            'code.unique' => 'Another sender has this code.',
            'name.required' => 'Type their name.',
            'location.*' => 'Choose where their orders are taken.',
            'way.*' => 'Choose how goods reach an address.',
            'customer.*' => 'Type the number of the customer.',
        ]);

        return [
            'code' => $request->string('code')->value(),
            'name' => $request->string('name')->trim()->value(),
            'location_id' => $request->integer('location'),
            'way' => $request->string('way')->value(),
            'customer_id' => $this->customer($request),
            'active' => $sender === null || $request->boolean('active'),
        ];
    }
}
