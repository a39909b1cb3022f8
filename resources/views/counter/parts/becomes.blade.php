@use('Elmstone\Counter\Slip\Becomes')
@use('Elmstone\Support\Show')
{{-- What becomes of the slip: shown only where there is a choice. Each is one key, and the hand stays where it was: at
    the field that has the key's name then, or at the key. --}}
@php($draft = $reckoned->layaway())
@php($order = $reckoned->order())
@if($shut->mayBecomeAnother())
<div class="becomes" role="group" aria-label="What becomes of it">
    @foreach([[Becomes::Sale, 'E', 'becomes-sale', match($slip->becomes) {
        Becomes::Order => route('counter.order.drop', $slip->key),
        Becomes::Quote => route('counter.quote.drop', $slip->key),
        default => route('counter.hold.drop', $slip->key) }], [Becomes::Layaway, 'L', 'hold',
            route('counter.hold', $slip->key)],
        [Becomes::Order, 'O', 'order-deposit', route('counter.order', $slip->key)],
        [Becomes::Quote, 'U', 'quote', route('counter.quote', $slip->key)]] as [$one, $letter, $id, $address])
        @if($slip->becomes === $one && $one === Becomes::Quote)<button type="button" id="{{ $id }}"
            data-way="{{ $letter }}" aria-pressed="true"><kbd>{{ $letter }}</kbd> {{ ucfirst($one->value) }}</button>
        @elseif($slip->becomes === $one && $one !== Becomes::Sale)<span class="chosen"><kbd>{{ $letter }}</kbd>
            {{ ucfirst($one->value) }}</span>
        @elseif(in_array($one, [Becomes::Sale, Becomes::Quote], true) || $slip->customer !== null)<button
            type="button" id="{{ $id }}" data-way="{{ $letter }}" data-field="rest"
                aria-pressed="{{ $slip->becomes === $one ? 'true' : 'false' }}"
                value="1" data-sends="{{ $address }}"><kbd>{{ $letter }}</kbd> {{ ucfirst($one->value) }}</button>@endif
    @endforeach
</div>
@if($draft !== null)
<ul class="ways">
    <x-way :$complaint letter="" id="hold" data-way="L" label="Deposit now" rest
        :refused="$reckoned->needs->open('hold') !== []" :save="route('counter.hold', $slip->key)"
            :value="$draft->deposit()->toString()">
        <p class="under mb-0">at least {{ $draft->standing()->minDeposit }} of {{ $draft->total() }}</p>
        @include('counter.parts.needs', ['place' => 'hold', 'quiet' => false])
    </x-way>
</ul>
@elseif($order !== null)
<ul class="ways">
    <x-way :$complaint letter="" id="order-deposit" name="deposit" at="order.deposit" data-way="O" label="Paid now"
        :refused="$reckoned->needs->open('order') !== []" :save="route('counter.order.terms', $slip->key)"
            :value="$order->deposit()->toString()">
        <p class="under mb-0">of {{ $order->total() }}{{ $order->leastDeposit()->isPositive()
            ? ', at least '.Show::money($order->leastDeposit()) : '' }}</p>
        @include('counter.parts.needs', ['place' => 'order', 'quiet' => false])
    </x-way>
    <li><div class="rest-is"><label for="is-charged">The rest is</label>
        <select class="form-select" id="is-charged" name="is_charged"
            data-save="{{ route('counter.order.terms', $slip->key) }}">
            <option value="0" @selected(! $order->promise->is_charged)>paid at handover</option>
            @if($slip->account !== null)<option value="1" @selected($order->promise->is_charged)>charged to account
                </option>@endif
        </select></div>
        @if($complaint->on('order.is_charged'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
    </li>
</ul>
@elseif($slip->becomes === Becomes::Quote)
<p class="d-flex justify-content-between mt-2 mb-1"><span>The quote comes to</span><b
    class="figure">{{ $reckoned->sums->total }}</b></p>
@endif
@endif
@if(($complaint->on('hold') && $draft === null) || $complaint->on('order') || $complaint->on('quote'))<p
    class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
