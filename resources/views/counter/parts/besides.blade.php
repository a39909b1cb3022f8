{{-- Money taken in with the sale: a field where there is some, a word to open one where there is none. And the ways
    that are shut, with why. --}}
@use('Elmstone\Counter\Parts\TowardsAccount')
@use('Elmstone\Support\Show')
@php($takes = array_filter([
    'deposit' => $slip->customer !== null && $slip->hold === null,
    'account' => $slip->account !== null,
]))
@php($isOpen = [
    'deposit' => $slip->deposit_in !== null || $complaint->on('deposit_in'),
    'account' => $slip->on_account !== null || $complaint->on('on_account'),
])
<div class="besides">
@foreach($takes as $what => $may)
<div id="takes-{{ $what }}" @panel @unless($isOpen[$what]) hidden @endunless><ul class="ways">
@if($what === 'deposit')
    <x-way :$complaint letter="T" id="deposit_in" label="Deposit taken" with="deposit_for"
        :save="route('counter.deposit', $slip->key)" :value="$slip->deposit_in?->toString() ?? ''">
        <x-slot:beside><input class="form-control" id="deposit_for" name="deposit_for" placeholder="for an order?"
            aria-label="The order the deposit is for, if any" autocomplete="off" maxlength="60" data-with="deposit_in"
                data-save="{{ route('counter.deposit', $slip->key) }}" value="{{ $slip->deposit_for }}"
                    @if($slip->deposit_in === null) hidden @endif></x-slot>
    </x-way>
@else
    @php($towards = TowardsAccount::of($slip, $house))
    <x-way :$complaint letter="P" id="on_account" label="Towards account"
        :save="route('counter.on-account', $slip->key)" :value="$slip->on_account?->toString() ?? ''">
        @if($slip->on_account !== null)
        <p class="under mb-0">{{ $slip->lines->isEmpty() ? ''
            : 'settled together with the sale; ' }}{{ match(true) {
                $slip->plan_id !== null => "goes on the parts of {$slip->loadMissing('plan')->plan?->label} first",
                ($slip->on_items ?? []) !== [] => 'goes on '.implode(', ', $towards?->firstOn($slip->on_items) ?? [])
                    .' first',
                default => 'goes on the oldest due first',
            } }}</p>@endif
        @if($towards?->earnsDiscount)
            <p class="under mb-0">{{ $slip->leaves_discount ? 'no discount: they pay in full'
                : Show::money($towards->spread->discount()).' discount is given' }}
                <button type="button" class="link-act" data-sends="{{ route('counter.leave-discount', $slip->key) }}"
                    data-field="leaves"
                        value="{{ $slip->leaves_discount ? 0 : 1 }}">{{ $slip->leaves_discount ? 'Give it'
                            : 'Give none' }}</button></p>
        @endif
    </x-way>
@endif
</ul></div>
@endforeach
@if(array_diff_key($takes, array_filter($isOpen)) !== [])
<p class="small soft mb-0">Take with it:
@foreach(array_diff_key($takes, array_filter($isOpen)) as $what => $may)<button type="button" class="link-act"
    data-toggles="takes-{{ $what }}"><kbd>{{ $what === 'deposit' ? 'T' : 'P' }}</kbd> {{ $what === 'deposit'
        ? 'a deposit' : 'for the account' }}</button> @endforeach</p>
@endif
@foreach(['charge', 'deposit_in', 'on_account'] as $field)
@if($complaint->on($field) && ! isset($takes[$field === 'deposit_in' ? 'deposit' : 'account'])
    && ! ($field === 'charge' && $shut->mayCharge()))<p class="complaint mb-0"
        role="alert">{{ $complaint->message() }}</p>@endif
@endforeach
<p class="small soft mb-0 shut">@foreach($shut->all() as $ways => $why)<span>{{ $ways }}: {{ $why }}</span> @endforeach
</p>
</div>
