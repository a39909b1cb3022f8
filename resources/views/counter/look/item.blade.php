@use('Elmstone\Staff\Ability')
@use('Elmstone\Support\Show')
{{-- An item at a glance; nothing here changes the slip. --}}
@php($item = $look->item)
<div class="look-head"><strong>{{ $item->description }}</strong> <a class="code"
    href="{{ route('items.show', $item) }}">{{ $item->code }}</a>
    <span class="ms-auto figure"><strong>{{ Show::price($look->quote->price) }}</strong> <span
        class="soft small">{{ $look->quote->rule->label() }}{{ $item->price_per > 1 ? " per {$item->price_per}" : '' }}
        </span></span></div>
@if($item->clerk_words !== '')<p class="mb-1">{{ $item->clerk_words }}</p>@endif
@unless($item->active)<p class="complaint">Taken off sale.</p>@endunless
<div class="look-cols">
    <div><h3 class="band-name">Stock</h3>
    <table class="ruled small"><tr><td></td><th class="figure">on hand</th><th class="figure">set aside</th><th
        class="figure">free</th></tr>
    @forelse($item->stock as $stock)<tr @if($stock->location_id === $look->here) class="fw-bold" @endif>
        <td>{{ $stock->location->name }}</td><td class="figure">{{ Show::decimal($stock->on_hand) }}</td>
        <td class="figure">{{ Show::decimal($stock->committed) }}</td>
        <td class="figure">{{ Show::decimal($stock->available()) }}</td></tr>
    @empty<tr><td colspan="4">none anywhere</td></tr>@endforelse</table>
    @foreach($look->waiting as $one)<p class="small mb-0">{{ Show::decimal($one->quantity) }} for {{ $one->name }}
        <span class="code">{{ $one->label }}</span></p>@endforeach
    </div>
    <div><h3 class="band-name">Prices</h3>
    <table class="ruled small">
        <tr><td>list</td><td class="figure">{{ Show::price($look->book->list) }}</td></tr>
        @if($look->book->level !== null)<tr><td>their price level</td>
        <td class="figure">{{ Show::price($look->book->level) }}</td></tr>@endif
        @foreach($look->book->contracts as $price)<tr><td>their contract {{ $price->name }}{{ $price->until === null
            ? '' : ' until '.Show::date($price->until) }}</td><td
                class="figure"><x-price :of="$price->price"/></td></tr>@endforeach
        @foreach($look->book->breaks as $break)<tr><td>from {{ Show::decimal($break->from) }}</td>
        <td class="figure"><x-price :of="$break->price"/></td></tr>@endforeach
        @foreach($look->book->promotions as $price)<tr @unless($price->isInForce($day)) class="soft" @endunless>
        <td>“{{ $price->name }}”{{ $price->until === null ? '' : ' until '.Show::date($price->until) }}</td>
        <td class="figure"><x-price :of="$price->price"/></td></tr>@endforeach
        @if($look->book->marked !== null)<tr><td>marked down since {{ Show::date($item->marked_on) }}</td>
        <td class="figure">{{ Show::price($look->book->marked) }}</td></tr>@endif
        @can('see-margin')@if($item->floor_price !== null)<tr><td>lowest accepted</td>
        <td class="figure">{{ Show::price($item->floor_price) }}</td></tr>@endif @endcan
    </table></div>
    @if($look->buyer !== '')
    <div><h3 class="band-name">Last sold to {{ $look->buyer }}</h3>
    <table class="ruled small">@forelse($look->sold as $one)<tr>
        <td>{{ Show::date(Carbon\CarbonImmutable::parse($one->business_date)) }}</td>
        <td><span class="code">{{ $one->label }}</span></td>
        <td class="figure">{{ Show::decimal($one->quantity) }} × {{ Show::price($one->unit_price) }}</td></tr>
        @empty<tr><td class="soft">not yet</td></tr>@endforelse</table></div>
    @endif
</div>
@if($item->belongings->isNotEmpty())<p class="small mb-0 mt-1">Goes with it: {{ $item->belongings
    ->map(fn ($one) => "{$one->description} ({$one->code})")->implode(', ') }}</p>@endif
