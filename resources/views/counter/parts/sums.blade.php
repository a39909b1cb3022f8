@use('Elmstone\Counter\Settle\Cards\SlipSurcharges')
@use('Elmstone\Counter\Slip\Reductions')
@use('Elmstone\Support\Show')
<div class="sums" id="sums" data-part>
    <div class="panels">
        @unless($slip->isDone())
            @if($slip->undo !== '')<button type="button" class="link-act" id="undo"
                data-sends="{{ route('counter.undo', $slip->key) }}">Take back: {{ $slip->undo }} <kbd>Alt T</kbd>
                </button>@endif
            @if($slip->note !== '')<p class="slip-note">“{{ $slip->note }}”</p>@endif
            @if($slip->soldBy !== '')<p class="sold-by">Sold by {{ $slip->soldBy }}</p>@endif
            <div id="slip-note" class="w-100" @panel hidden>
                <form class="d-flex gap-2 align-items-center" method="post"
                    action="{{ route('counter.note', $slip->key) }}" data-act data-sets-aside>
                    <label for="slip_note" class="soft">Why it waits</label>
                    <input class="form-control" id="slip_note" name="slip_note" maxlength="120" autocomplete="off"
                        value="{{ $slip->note }}">
                    <button class="quiet-act">Set aside</button>
                </form>
            </div>
            <div id="sold-by" class="w-100" @panel @unless($complaint->on('sold_by')) hidden @endunless>
                <form class="d-flex gap-2 align-items-center" method="post"
                    action="{{ route('counter.sold-by', $slip->key) }}" data-act>
                    <label for="sold_by" class="soft text-nowrap">Sold by</label>
                    <input class="form-control" id="sold_by" name="sold_by" maxlength="80" autocomplete="off"
                        aria-describedby="sold-by-how"
                        value="{{ $complaint->typedOr('sold_by', $slip->soldByText) }}">
                    <button class="quiet-act">Share</button>
                </form>
                <p class="soft small mb-0" id="sold-by-how">Staff numbers: +301 is half each with you; 201 60%, 301 40%
                    by parts; empty, it is yours.</p>
                @if($complaint->on('sold_by'))
                    <p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
            </div>
            <div id="slip-discount" class="w-100" @panel @unless($complaint->on('discount')) hidden @endunless>
                @php($typed = Reductions::written($slip->discount($house->currency())))
                <form class="d-flex gap-2 align-items-center" method="post"
                    action="{{ route('counter.discount', $slip->key) }}" data-act>
                    <label for="discount" class="soft">Off the whole slip</label>
                    <input class="form-control w-auto" id="discount" name="discount" size="10" autocomplete="off"
                        placeholder="5 % or 2.00 off" value="{{ $complaint->typedOr('discount', $typed) }}">
                    <button class="quiet-act">Give</button>
                </form>
                @if($complaint->on('discount'))
                    <p class="complaint" role="alert">{{ $complaint->message() }}</p>
                    @if($complaint->isApprovable())
                        @include('counter.parts.approve',
                            ['action' => route('counter.discount', $slip->key),
                                'held' => ['discount' => $complaint->typedOr('discount', $typed)], 'id' => 'sd'])
                    @endif
                @endif
            </div>
            @include('counter.parts.drawer')
            @can('see-margin')
            <div id="margin" class="w-100" data-url="{{ route('counter.margin', $slip->key) }}" x-data="margin"
                @flip-panel.window="flip" hidden></div>@endcan
        @endunless
    </div>
    <table>
        @if($reckoned->back === null || $slip->lines->isNotEmpty())<tr>
        <td>Goods{{ $reckoned->back === null ? '' : ' going out' }}</td>
        <td class="figure">{{ $reckoned->goods() }}</td></tr>@endif
        @foreach($reckoned->sums->coupons as $coupon)
            @php($shown = $slip->couponsShown?->get($slip->couponIds()[$loop->index] ?? 0))
            <tr><td>{{ $shown?->description }} <span
                class="code">{{ $coupon->coupon->id }}</span>@unless($slip->isDone()) <button type="button"
                    class="link-act small"
                        data-sends="{{ route('counter.coupon.drop',
                            [$slip->key, $shown?->id ?? 0]) }}">Not this one</button>@endunless
                @if($coupon->refused !== null && ! $slip->isDone())
                <p class="complaint mb-0">{{ $coupon->refused->getMessage() }}</p>@endif</td>
                <td class="figure">−{{ $coupon->amount }}</td></tr>
        @endforeach
        @unless($reckoned->sums->slipDiscount->isZero())
            <tr><td>Discount {{ $slip->discount_percent === null ? '' : Show::decimal($slip->discount_percent).' %' }}
            </td><td class="figure">−{{ $reckoned->sums->slipDiscount }}</td></tr>
        @endunless
        @foreach($reckoned->surcharges->cards as $card)
            <tr><td>{{ SlipSurcharges::words($card) }}</td>
            <td class="figure">{{ $reckoned->surchargeLines()[$loop->index]->net }}</td></tr>
        @endforeach
        @foreach($reckoned->back !== null && $slip->lines->isEmpty() ? [] : $reckoned->sums->tax as $tax)
            <tr><td class="soft">{{ $reckoned->terms->taxIncluded ? 'incl. '
                : '' }}{{ $slip->taxPlace()->components->firstWhere('code',
                    $tax->component->id)->name }} {{ Show::price($tax->component->rate->value) }} %</td>
                    <td class="figure">{{ $tax->amount }}</td></tr>
        @endforeach
        @if($reckoned->back !== null)<tr class="coming"><td>← Coming back, tax in it</td>
        <td class="figure">−{{ $reckoned->back->value() }}</td></tr>@endif
    </table>
</div>
