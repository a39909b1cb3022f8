@use('Elmstone\Cards\CardState')
@use('Elmstone\Core\Money\Money')
@use('Elmstone\Support\Show')
@use('Elmstone\Receivables\Accounts\ChargeWords')
@use('Elmstone\Counter\Settle\ShutWays')
@use('Elmstone\Core\Settlement\TenderKind')
@use('Elmstone\Customers\RefusedWays')
@php($shut = ShutWays::of($slip))
@php($amount = fn (?Money $money): string => $money?->toString() ?? '')
@php($most = fn ($amount): string => $amount->isPositive() ? $amount->toString() : '–')
@php($left = $reckoned->outstanding())
@php($refusedWays = RefusedWays::of($slip->customer))
{{-- What a card that was read would cost is nothing that cash pays. --}}
@php($isRead = $slip->cards->contains(fn ($card) => $card->state === CardState::Read))
@php($inCash = $isRead ? $house->money(0) : $reckoned->due()->dueInCash())
@if($reckoned->isRefund())
@include('counter.parts.refund')
@else
@include('counter.parts.becomes')
@unless($reckoned->takesNoMoney())
<ul class="ways met">
    @include('counter.parts.cards', ['back' => true])
    <x-way :$complaint letter="C" id="cash" label="Cash" :save="route('counter.cash', $slip->key)"
        :value="$amount($slip->cash)" :data-exact="$inCash->isPositive() ? $inCash->toString() : ''"
            :placeholder="$most($inCash)">
        @if($slip->cash === null && $inCash->isPositive())
            <div class="notes" role="group" aria-label="Likely amounts of cash">
                @foreach($reckoned->due()->likelyNotes() as $note)<button type="button"
                    data-cash="{{ $note->toString() }}">{{ $note }}</button>@endforeach
            </div>
        @endif
        @include('counter.parts.refused-way', ['kind' => TenderKind::Cash])
    </x-way>
    <li>
        @php($paidByCard = $slip->cards->contains(fn ($card) => ! $card->isBack() && $card->state->pays()))
        @php($ask = ['slip' => $slip->key, 'seen' => $slip->cards->count()])
        <div class="way">
        <kbd>D</kbd>@if($paidByCard && ! $complaint->on('card'))<span>Card, terminal
            {{ $terminal->number }}</span><button type="button" class="link-act" id="card"
                data-toggles="another-card" data-way="D">Another card</button>
            @else<span><label for="card">Card</label>
                @if($left->isPositive() && $reckoned->unknownCard() === null)<button type="button"
                    class="link-act small" data-sends-way="card">ask terminal {{ $terminal->number }}</button>
                @endif</span>
            <input class="form-control amount {{ $complaint->on('card') ? 'is-refused' : '' }}" id="card" name="card"
                inputmode="decimal" autocomplete="off"
                    placeholder="{{ $left->isPositive() ? $left->toString() : '–' }}" data-way="D" data-held
                        data-send="{{ route('counter.card', [...$ask, ...$paidByCard ? ['another' => 1] : []]) }}"
                            value="{{ $complaint->typedOr('card', '') }}">@endif</div>
        @if($paidByCard && ! $complaint->on('card'))
            <div id="another-card" @panel hidden><div class="way under">
            <span></span><label for="another">Another card: how much?</label><input class="form-control amount"
                id="another" name="card" inputmode="decimal" autocomplete="off"
                    placeholder="{{ $left->isPositive() ? $left->toString() : '–' }}" data-held
                        data-send="{{ route('counter.card', [...$ask, 'another' => 1]) }}"></div></div>
        @endif
        @if($complaint->on('card'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
        @include('counter.parts.cards', ['back' => false])
        @if(($slip->after_card ?? []) !== [])<p class="under ochre mb-0">After a card had paid:
            {{ implode('; ', $slip->after_card) }}</p>@endif
    </li>
    @if($slip->customer !== null && ($left->isPositive() || $complaint->on('on_file'))
        && $reckoned->unknownCard() === null)@include('counter.parts.on-file')@endif
    <x-way :$complaint letter="Q" id="cheque" label="Cheque" :save="route('counter.cheque', $slip->key)"
        :value="$amount($slip->cheque)" with="cheque_number">
        <x-slot:beside><input class="form-control" id="cheque_number" name="cheque_number" placeholder="number"
            aria-label="Cheque number" autocomplete="off" maxlength="30" data-with="cheque"
                data-save="{{ route('counter.cheque', $slip->key) }}" value="{{ $slip->cheque_number }}"
                    @if($slip->cheque === null) hidden
                        @elseif($slip->cheque_number === '' && ! $complaint->exists()) data-focus @endif></x-slot>
        @include('counter.parts.refused-way', ['kind' => TenderKind::Cheque])
    </x-way>
    <x-way :$complaint letter="G" id="card_code" label="Gift card" placeholder="scan it" inputmode="numeric"
        maxlength="24" :amount="false" :save="route('counter.gift-card.use', $slip->key)">
        @foreach($slip->cardsUsed() as $place => $card)
            <div class="way under">
            <span></span><label
                for="gift{{ $place }}">{{ $card->words() }}, worth {{ $amount($slip->worthOf($card->code)) }}</label>
                <input class="form-control amount {{ $complaint->on("gift.{$place}") ? 'is-refused' : '' }}"
                    id="gift{{ $place }}" name="amount" inputmode="decimal" autocomplete="off"
                        data-save="{{ route('counter.gift-card.amount', [$slip->key, $place]) }}"
                            value="{{ $complaint->typedOr("gift.{$place}", $amount($card->amount)) }}"></div>
            @if($complaint->on("gift.{$place}"))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
        @endforeach
    </x-way>
    @if($slip->storeCredit?->isPositive() || $slip->store_credit_used !== null)
    <x-way :$complaint letter="S" id="store_credit_used" label="Store credit" rest
        :save="route('counter.store-credit', $slip->key)" :value="$amount($slip->store_credit_used)"
            :placeholder="$most($reckoned->due()->usableStoreCredit())">
        @php($theirs = $slip->storeCredit ?? $house->money(0))
        <p class="under mb-0">{{ $theirs }} is theirs{{ $slip->store_credit_used === null ? ''
            : ', '.Show::money($theirs->minus($slip->store_credit_used)).' stays' }}</p>
    </x-way>
    @endif
    @php($check = $reckoned->charge())
    @if($shut->mayCharge())
    <x-way :$complaint letter="A" id="charge" label="Charge to account" rest
        :refused="$reckoned->needs->open('charge') !== []" :save="route('counter.charge', $slip->key)"
            :value="$amount($slip->charge)" :placeholder="$most($reckoned->due()->chargeable())">
        @if($check !== null)
            @if($check->decision->isRefused())
            <p class="under not-allowed mb-0">
            not allowed: {{ implode(', ',
                array_map(fn ($reason) => ChargeWords::short($reason, $check->decision, $slip->account),
                    $check->decision->reasons)) }}</p>
            @else
            {{-- Where somebody has to agree, the first reason is said with that. --}}
            @php($also = array_slice($check->decision->reasons, $reckoned->needs->open('charge') === [] ? 0 : 1))
            @if($also !== [])<p class="under mb-0">{{ implode(', ',
                array_map(fn ($reason) => ChargeWords::short($reason, $check->decision, $slip->account),
                    $also)) }}</p>@endif @endif
            @include('counter.parts.needs', ['place' => 'charge', 'quiet' => false])
        @endif
        @include('counter.parts.refused-way', ['kind' => TenderKind::HouseAccount])
    </x-way>
    @endif
    @if($slip->deposits?->total()->isPositive())
    @php([$held, $free] = [$slip->deposits->total(), $slip->deposits->free()])
    @php($used = $slip->deposit_used ?? $house->money(0))
    <x-way :$complaint letter="H" id="deposit_used" label="Deposit held" rest
        :save="route('counter.deposit.use', $slip->key)" :value="$amount($slip->deposit_used)"
            :placeholder="$most($reckoned->due()->usableDeposit())">
        <p class="under mb-0">{{ $held }} held{{ match(true) {
            $slip->deposit_used === null => '',
            $used->equals($held) => ', all of it',
            default => ', '.Show::money($held->minus($used)).' stays',
        } }}@unless($held->equals($free)); {{ $held->minus($free) }} of it is kept for an order @endunless</p>
    </x-way>
    @endif
</ul>
@include('counter.parts.besides')
@endunless
@endif
@if($reckoned->settlement?->change->isPositive())
    <div class="change">
    <span>Change</span><span class="sum" id="change">{{ $reckoned->settlement->change }}</span></div>
@endif
@if($reckoned->settlement !== null && ! $reckoned->settlement->cashRounding->isZero())
    <p class="soft small">Cash is rounded by {{ $reckoned->settlement->cashRounding }}.</p>
@endif
@include('counter.parts.signature')
@include('counter.parts.paper')
@include('counter.parts.foot')
