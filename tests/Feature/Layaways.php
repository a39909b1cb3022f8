<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Carbon\CarbonImmutable;
use Elmstone\Customers\Customer;
use Elmstone\Layaways\Layaway;
use Elmstone\Shop\Location;
use Illuminate\Support\Str;

/** Layaways made and paid at the counter, as a clerk does. MA-0031 comes to 103.40 with tax, LH-1140 to 4.24. */
trait Layaways
{
    use Accounts;

    protected ?Customer $customer = null;

    /** A slip with the customer and goods, to be held. */
    protected function readyToHold(string $deposit, string ...$entries): void
    {
        $this->slip = (string) Str::uuid();
        $this->does('customer', ['customer' => $this->customer->id])->assertOk();
        $this->add(...$entries);
        $this->does('hold', $deposit === '' ? ['rest' => '1'] : ['hold' => $deposit])->assertOk();
    }

    protected function hold(string $deposit, string ...$entries): Layaway
    {
        $this->readyToHold($deposit, ...$entries);
        $this->does('cash', ['cash' => '500'])->assertOk();
        $this->does('post')->assertOk();

        return Layaway::query()
            ->with(['allLines', 'allInstalments'])
            ->findOrFail($this->slip()->agreement_id);
    }

    /** On a day gone by. */
    protected function holdOn(string $day, string $deposit, string ...$entries): Layaway
    {
        Location::query()->update(['closed_through' => '2000-01-01']);
        $this->travelTo(CarbonImmutable::parse("{$day} 10:00"));
        $layaway = $this->hold($deposit, ...$entries);
        $this->travelBack();

        return $layaway;
    }

    /** @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response> of the posting */
    protected function payOn(Layaway $layaway, string $amount, ?bool $leaves = null)
    {
        $this->slip = (string) Str::uuid();
        $this->does('add', ['entry' => $layaway->label, 'version' => ''])->assertOk();
        $this->does("layaways/{$layaway->label}/amount", ['amount' => $amount])->assertOk();
        $leaves === null
            || $this->does("layaways/{$layaway->label}/leaves", ['leaves' => $leaves ? '1' : '0'])->assertOk();
        $this->does('cash', ['cash' => '500'])->assertOk();

        return $this->does('post');
    }

    protected function again(Layaway $layaway): Layaway
    {
        return Layaway::query()
            ->with(['allLines', 'allInstalments', 'entries', 'changesMade'])
            ->findOrFail($layaway->id);
    }
}
