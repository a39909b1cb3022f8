<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Customers\Customer;
use Elmstone\Shop\Location;
use Illuminate\Support\Str;

/** Customers with accounts, and sales charged to them at the counter. */
trait Charges
{
    use Accounts;

    /** Puts the customer on the slip, sells, and charges all of it. On another day, where one is given. */
    protected function charge(Customer $customer, string ...$entries): string
    {
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $customer->id])->assertOk();
        $this->add(...$entries);
        $this->does('charge', ['rest' => '1'])->assertOk();
        $this->does('post')->assertOk();

        return $this->document()->label;
    }

    /** The same, posted on a day gone by. */
    protected function chargeOn(string $day, Customer $customer, string ...$entries): string
    {
        Location::query()->update(['closed_through' => '2000-01-01']);
        $this->travelTo(CarbonImmutable::parse("{$day} 10:00"));
        $label = $this->charge($customer, ...$entries);
        $this->travelBack();

        return $label;
    }
}
