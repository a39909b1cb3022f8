@use('Elmstone\Core\Pricing\PriceRule')
@use('Elmstone\Support\Show')
@if(count($departments) > 1 || $department > 0)
    <div class="narrow-by" role="group" aria-label="By department"><button type="button" data-department=""
        aria-pressed="{{ $department === 0 ? 'true' : 'false' }}">All</button>@foreach($departments as $one)<button
            type="button" data-department="{{ $one->id }}" aria-pressed="{{ $department === $one->id ? 'true'
                : 'false' }}">{{ $one->name }} <span class="soft">{{ $one->items }}</span></button>@endforeach</div>
@endif
<div id="found-list" role="listbox" aria-label="Found">
<div data-typed="{{ $typed }}" data-quantity="{{ $entry->quantity->toString() }}"></div>
@if($refused !== null)
    <p class="complaint px-3 py-2">{{ $refused->getMessage() }}</p>
@endif
@foreach($families as $family)
    @if($loop->first)<div class="group" aria-hidden="true">Families</div>@endif
    <button type="button" class="row-found two" role="option" id="found-family-{{ $family->id }}" aria-selected="false"
        data-family="{{ $family->id }}"><span class="code">{{ $family->code }}</span><span>{{ $family->name }} <span
            class="soft small">{{ $family->cells }} to pick from, by {{ $family->first }}{{ $family->second === '' ? ''
                : " and {$family->second}" }}</span></span></button>
@endforeach
@if($quotes->isNotEmpty())
    <div class="group" aria-hidden="true">Items</div>
    @foreach($quotes as [$item, $quote])
        @php($mine = $item->stock->firstWhere('location_id', $here->id))
        @php($others = $item->stock->where('location_id', '!=',
            $here->id)->filter(fn ($stock) => $stock->available()->isPositive()))
        <div class="row-found" role="option" id="found-{{ $item->id }}" data-item="{{ $item->id }}"
            aria-selected="false">
            <span class="code">{{ $item->code }}</span>
            <span>{{ $item->description }}</span>
            <span class="figure">{{ Show::price($quote->price->value) }}</span>
            <span class="figure small here {{ $item->active && $mine?->available()->isPositive() ? 'soft'
                : 'ochre' }}">{{ $item->active ? '' : 'off sale · ' }}{{ Show::decimal($mine?->available()
                    ?? '0') }} here @foreach($others as $stock)· {{ Show::decimal($stock->available()) }}
                        {{ $stock->location->code }} @endforeach @isset($onOrder[$item->id])·
                        {{ Show::decimal($onOrder[$item->id]->quantity) }} on order,
                            {{ $onOrder[$item->id]->next?->format('j M') }}@endisset</span>
            <span class="figure small soft">{{ $quote->rule === PriceRule::ListPrice ? 'list'
                : $quote->rule->label() }}</span>
        </div>
    @endforeach
    @if($isMore)<p class="more-found" data-more>The first {{ $quotes->count() }}. Type on; <kbd>↓</kbd> past the last
        for more, <kbd>→</kbd> by department, <kbd>Space</kbd> on a row looks at it.</p>
    @elseif($quotes->count() > 7)<p class="more-found">{{ $quotes->count() }} found</p>@endif
@endif
@foreach($customers as $found)
    @if($loop->first)<div class="group" aria-hidden="true">Customers</div>@endif
    <button type="button" class="row-found customer" role="option" id="found-c{{ $found->customer->id }}"
        aria-selected="false" data-customer="{{ $found->customer->id }}"
            @if(ctype_digit($entry->text) && strlen($entry->text) < 7 && $entry->text !== (string)
                $found->customer->number) data-unsure @endif>
        <span class="code">{{ $found->customer->number }}</span><span>{{ $found->customer->name }} <span
            class="small soft">{{ $found->customer->town }}</span></span>
        <span class="figure small">{{ $found->balance === null ? '' : Show::owes($found->balance) }}</span>
        <span class="figure small {{ $found->stopped ? 'brick'
            : ($found->available?->isNegative() ? 'ochre' : 'soft') }}">{{ $found->words() !== '' ? $found->words()
                : Show::money($found->available).' left' }}</span>
    </button>
@endforeach
@foreach($layaways as $layaway)
    @if($loop->first)<div class="group" aria-hidden="true">Layaways</div>@endif
    <button type="button" class="row-found layaway" role="option" id="found-{{ $layaway->label }}"
        aria-selected="false" data-layaway="{{ $layaway->label }}">
        <span class="code">{{ $layaway->label }}</span><span>{{ $layaway->customer->name }} <span
            class="small soft">{{ $layaway->lines()->first()?->description }}</span></span>
        <span class="figure small">{{ $layaway->remaining()->isZero() ? 'paid in full'
            : Show::money($layaway->remaining()).' left' }}</span>
        <span class="figure small {{ $layaway->isBehind($today) || $layaway->isExpired($today) ? 'ochre'
            : 'soft' }}">{{ $layaway->isExpired($today) ? 'expired'
                : ($layaway->next_due === null ? 'to collect' : 'next '.Show::date($layaway->next_due)) }}</span>
    </button>
@endforeach
@foreach($orders as $order)
    @if($loop->first)<div class="group" aria-hidden="true">Orders</div>@endif
    <button type="button" class="row-found layaway" role="option" id="found-{{ $order->label }}"
        aria-selected="false" data-layaway="{{ $order->label }}">
        <span class="code">{{ $order->label }}</span><span>{{ $order->customer->name }} <span
            class="small soft">{{ $order->lines()->first()?->description }}</span></span>
        <span class="figure small">{{ Show::money($order->open_total) }} open</span>
        <span class="figure small {{ $order->isLate($today) ? 'ochre' : 'soft' }}">{{ $order->wanted_on === null
            ? 'ordered' : 'wanted '.Show::date($order->wanted_on) }}</span>
    </button>
@endforeach
@foreach($quotesFound as $quote)
    @if($loop->first)<div class="group" aria-hidden="true">Quotes</div>@endif
    <button type="button" class="row-found layaway" role="option" id="found-{{ $quote->label }}"
        aria-selected="false" data-layaway="{{ $quote->label }}">
        <span class="code">{{ $quote->label }}</span><span>{{ $quote->who() }} <span
            class="small soft">take it up</span></span><span class="figure small">{{ $quote->total }}</span>
        <span class="figure small {{ $quote->isExpired($today) ? 'ochre' : 'soft' }}">{{ $quote->isExpired($today)
            ? 'ran out' : 'holds until' }} {{ Show::date($quote->valid_until) }}</span>
    </button>
@endforeach
@if($plan !== null)
    <div class="group" aria-hidden="true">Payment plans</div>
    <button type="button" class="row-found layaway" role="option" id="found-{{ $plan->label }}" aria-selected="false"
        data-layaway="{{ $plan->label }}">
        <span class="code">{{ $plan->label }}</span><span>{{ $plan->customer->name }} <span
            class="small soft">pay a part</span></span>
        <span class="figure small">{{ $plan->open() }} left</span>
        <span class="figure small soft">@if($next = $plan->parts->first(fn ($part) =>
            $part->item->open->isPositive()))next {{ Show::date($next->due) }}@else paid @endif</span>
    </button>
@endif
@if($card !== null)
    <div class="group" aria-hidden="true">Gift cards</div>
    @if(is_string($card))<p class="complaint px-3 py-1 mb-0">{{ $card }}</p>
    @else<button type="button" class="row-found layaway" role="option" id="found-card" aria-selected="false"
        data-layaway="{{ $typed }}"><span
            class="code">{{ $card->masked() }}</span><span>{{ $card->hindrance($today) === '' ? 'Pay with it'
                : $card->hindrance($today) }}</span><span
                    class="figure">{{ $card->balance() }}</span><span
                        class="figure small soft">{{ $card->expires_on === null ? 'no expiry'
                            : 'until '.Show::date($card->expires_on) }}</span></button>@endif
@endif
@if($coupon !== null)
    <div class="group" aria-hidden="true">Coupons</div>
    <button type="button" class="row-found two" role="option" id="found-coupon" aria-selected="false"
        data-layaway="{{ $coupon->code }}"><span
            class="code">{{ $coupon->code }}</span><span>{{ $coupon->description }} <span
                class="ochre">{{ $coupon->hindrance($today) }}</span></span></button>
@endif
@foreach($documents as $document)
    @if($loop->first)<div class="group" aria-hidden="true">Documents</div>@endif
    @if($document->kind->value === 'invoice' && $document->purpose->value === 'sale')
    <button type="button" class="row-found document" role="option" id="found-{{ $document->label }}-back"
        data-back="{{ $document->label }}" aria-selected="false">
        <span class="code">{{ $document->label }}</span><span>← Bring goods back <span
            class="small soft">{{ $document->customer_name ?: 'Walk-in' }}</span></span><span
                class="figure">{{ $document->total }}</span><span
                    class="figure small soft">{{ Show::date($document->business_date) }}</span>
    </button>
    @endif
    <a class="row-found document" role="option" id="found-{{ $document->label }}"
        href="{{ route('documents.show', $document) }}" aria-selected="false">
        <span class="code">{{ $document->label }}</span><span>{{ $document->customer_name ?: 'Walk-in' }}</span><span
            class="figure">{{ $document->total }}</span><span
                class="figure small soft">{{ Show::date($document->business_date) }}</span>
    </a>
    @if($loop->last && $loop->count === $documentsShown)
    <a class="row-found two" role="option" id="found-all-documents" aria-selected="false"
        href="{{ route('documents', ['find' => $entry->text]) }}"><span
            class="soft small">in the register</span><span>All documents with “{{ $entry->text }}”</span></a>
    @endif
@endforeach
@if($refused === null)
    <button type="button" class="row-found two" role="option" id="found-new-customer" aria-selected="false"
        data-toggles="new-customer"><span
            class="soft small">new customer</span><span>Add “{{ $entry->text }}” as a customer</span></button>
    <button type="button" class="row-found two" role="option" id="found-one-off" aria-selected="false"
        data-toggles="one-off"><span
            class="soft small">not in the list</span><span>Add “{{ $entry->text }}” as a one-off line</span></button>
@endif
</div>
