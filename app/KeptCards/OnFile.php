<?php

declare(strict_types=1);

namespace Elmstone\KeptCards;

use Elmstone\Customers\Customer;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Str;
use Illuminate\View\Component;

/** `<x-cards-on-file :$customer/>`: the cards they left, and how another is kept. */
final class OnFile extends Component
{
    /** @var Collection<int, CardOnFile> */
    public Collection $cards;

    public string $key;

    public function __construct(public Customer $customer)
    {
        $this->cards = CardOnFile::of($customer->id)->load('keeper');
        $this->key = (string) Str::uuid();
    }

    public function render(): View
    {
        return view('kept-cards.list');
    }
}
