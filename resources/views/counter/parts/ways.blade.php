@use('Elmstone\Cards\CardState')
@use('Elmstone\Counter\Slip\PaperWay')
@use('Elmstone\Counter\Parts\TowardsAccount')
@use('Elmstone\Core\Money\Money')
@use('Elmstone\Support\Show')
@use('Elmstone\Receivables\Accounts\ChargeWords')
@php($amount = fn (?Money $money): string => $money?->toString() ?? '')
@php($most = fn ($amount): string => $amount->isPositive() ? $amount->toString() : '–')
@php($left = $reckoned->outstanding())
@if($reckoned->isRefund())
@include('counter.parts.refund')
@else
<ul class="ways">
    @include('counter.parts.cards', ['back' => true])
    <x-way :$complaint letter="C" id="cash" label="Cash" :save="route('counter.cash', $slip->key)"
        :value="$amount($slip->cash)"
            :data-exact="$reckoned->due()->dueInCash()->isPositive() ? $reckoned->due()->dueInCash()->toString() : ''"
                :placeholder="$most($reckoned->due()->dueInCash())">
        @if($slip->cash === null && $reckoned->due()->dueInCash()->isPositive())
            <div class="notes" role="group" aria-label="Likely amounts of cash">
                @foreach($reckoned->due()->likelyNotes() as $note)<button type="button"
                    data-cash="{{ $note->toString() }}">{{ $note }}</button>@endforeach
            </div>
        @endif
    </x-way>
    <li>
        @php($paidByCard = $slip->cards->contains(fn ($card) => ! $card->isBack() && $card->state->pays()))
        @php($ask = ['slip' => $slip->key, 'seen' => $slip->cards->count()])
        <div class="way">
        <kbd>D</kbd>@if($paidByCard
            && ! $complaint->on('card'))<span>Card, terminal {{ $till->number }}</span>@else<label
                for="card">Card, terminal {{ $till->number }}</label>@endif
            @if($paidByCard && ! $complaint->on('card'))<button type="button" class="link-act" id="card"
                data-toggles="another-card" data-way="D">Another card</button>@else
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
        @elseif($left->isPositive() && $reckoned->unknownCard() === null)
            <div class="under">
            <button type="button" class="link-act"
                data-sends-way="card">Ask the terminal for {{ $left }}</button></div>
        @endif
        @if($complaint->on('card'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
        @include('counter.parts.cards', ['back' => false])
    </li>
    <x-way :$complaint letter="Q" id="cheque" label="Cheque" :save="route('counter.cheque', $slip->key)"
        :value="$amount($slip->cheque)" with="cheque_number">
        <x-slot:beside><input class="form-control" id="cheque_number" name="cheque_number" placeholder="number"
            aria-label="Cheque number" autocomplete="off" maxlength="30" data-with="cheque"
                data-save="{{ route('counter.cheque', $slip->key) }}" value="{{ $slip->cheque_number }}"
                    @if($slip->cheque === null) hidden
                        @elseif($slip->cheque_number === '' && ! $complaint->exists()) data-focus @endif></x-slot>
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
    @if($slip->customer !== null)
    @php($check = $reckoned->charge())
    @if($slip->hold === null || $slip->charge !== null)
    @php($canCharge = $slip->account !== null && ! $slip->account->account->stopped)
    <x-way :$complaint letter="A" id="charge" label="Charge to account" rest :disabled="! $canCharge"
        :soft="! $canCharge" :refused="$reckoned->needs->open('charge') !== []"
            :save="route('counter.charge', $slip->key)" :value="$amount($slip->charge)"
                :placeholder="$canCharge ? $most($reckoned->due()->chargeable()) : '–'">
        @if($slip->account === null)
            <p class="under mb-0">no house account; the office can open one</p>
        @elseif($slip->account->account->stopped)
            <p class="under not-allowed mb-0">
            on stop{{ $slip->account->account->stop_reason === '' ? ''
                : ": {$slip->account->account->stop_reason}" }}</p>
        @endif
        @if($check !== null)
            @if($check->decision->isRefused())
            <p class="under not-allowed mb-0">
            not allowed: {{ implode(', ',
                array_map(fn ($reason) => ChargeWords::short($reason, $check->decision, $slip->account),
                    $check->decision->reasons)) }}</p>
            @elseif($check->decision->reasons !== [])
            <p class="under mb-0">{{ implode(', ',
                array_map(fn ($reason) => ChargeWords::short($reason, $check->decision, $slip->account),
                    $check->decision->reasons)) }}</p>@endif
            @include('counter.parts.needs', ['place' => 'charge', 'quiet' => false])
        @endif
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
    @php($draft = $reckoned->layaway())
    @if($slip->lines->isNotEmpty() || $draft !== null)
    @php($asksDeposit = $reckoned->needs->open('hold') !== [])
    <x-way :$complaint letter="L" id="hold" rest :label="$draft === null ? 'Hold as layaway' : 'Layaway, deposit'"
        :soft="$draft === null" :refused="$asksDeposit" :save="route('counter.hold', $slip->key)"
            :value="$draft === null ? '' : $draft->deposit()->toString()"
                :placeholder="$draft === null ? 'deposit' : '–'">
        @if($draft !== null)
            <p class="under mb-0">
            at least {{ $draft->standing()->minDeposit }} of {{ $draft->total() }} <button
                type="button" class="link-act"
                    data-sends="{{ route('counter.hold.drop', $slip->key) }}">Sell instead</button></p>
            @include('counter.parts.needs', ['place' => 'hold', 'quiet' => false])
        @endif
    </x-way>
    @endif
    @if($draft === null)
    <x-way :$complaint letter="T" id="deposit_in" label="Take a deposit" :soft="$slip->deposit_in === null"
        with="deposit_for" :save="route('counter.deposit', $slip->key)" :value="$amount($slip->deposit_in)">
        <x-slot:beside><input class="form-control" id="deposit_for" name="deposit_for" placeholder="for an order?"
            aria-label="The order the deposit is for, if any" autocomplete="off" maxlength="60" data-with="deposit_in"
                data-save="{{ route('counter.deposit', $slip->key) }}" value="{{ $slip->deposit_for }}"
                    @if($slip->deposit_in === null) hidden @endif></x-slot>
    </x-way>
    @endif
    @if($slip->account !== null)
    <x-way :$complaint letter="P" id="on_account" label="Pay towards account"
        :save="route('counter.on-account', $slip->key)" :value="$amount($slip->on_account)">
        @if($slip->on_account !== null)
        <p class="under mb-0">{{ $slip->lines->isEmpty() ? ''
            : 'settled together with the sale; ' }}{{ $slip->plan_id === null ? 'goes on the oldest due first'
                : "goes on the parts of {$slip->loadMissing('plan')->plan?->label} first" }}</p>@endif
        @php($towards = TowardsAccount::of($slip, $house))
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
    @endif
    @if($slip->customer === null && ($complaint->on('hold') || $complaint->on('deposit_in')))<li>
    <p class="complaint mb-0" role="alert">{{ $complaint->message() }}</p></li>@endif
</ul>
@endif
@if($reckoned->settlement?->change->isPositive())
    <div class="change">
    <span>Change</span><span class="sum" id="change">{{ $reckoned->settlement->change }}</span></div>
@endif
@if($reckoned->settlement !== null && ! $reckoned->settlement->cashRounding->isZero())
    <p class="soft small">Cash is rounded by {{ $reckoned->settlement->cashRounding }}.</p>
@endif
<div class="paper-ways" role="radiogroup" aria-label="Paper">
    <span class="soft">Paper</span>
    @foreach(PaperWay::cases() as $way)
        <label><input type="radio" class="form-check-input m-0" name="paper" value="{{ $way->value }}"
            id="paper-{{ $way->value }}" data-paper="{{ route('counter.paper', $slip->key) }}"
                @checked($slip->paper === $way)> {{ $way->value }}</label>
    @endforeach
    @if($slip->paper === PaperWay::Mail)
        <input class="form-control {{ $complaint->on('paper') ? 'is-refused' : '' }}" type="text" id="mail_to"
            name="mail_to" inputmode="email" placeholder="mail address" aria-label="Mail address"
                data-save="{{ route('counter.paper', $slip->key) }}"
                    value="{{ $complaint->typedOr('paper', $slip->mail_to) }}">
    @endif
    <input type="hidden" name="paper" value="mail" data-with="mail_to">
    @if($complaint->on('paper'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
</div>
<div class="foot">
    @if($complaint->on('post'))<p class="complaint mb-2" role="alert">{{ $complaint->message() }}</p>@endif
    @php($hindrances = $reckoned->hindrances())
    @php($open = $reckoned->needs->open())
    @if(count($open) > 1)
        <details class="small mb-2" @if($complaint->on('approve.')) open @endif>
        <summary class="link-act">{{ count($open) }} things need approval: allow all of them</summary>
            <ul class="mb-1">@foreach($open as $need)<li>{{ $need->words }}</li>@endforeach</ul>
            @include('counter.parts.approve',
                ['action' => route('counter.approve', $slip->key), 'held' => ['place' => ''], 'id' => 'a-all',
                    'quiet' => true])
            @if($complaint->on('approve.'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
            </details>
    @endif
    @if($hindrances !== [] && $hindrances[0]->rule !== 'leaves_not_said'
        && ! in_array($hindrances[0], array_map(fn ($need) => $need->refused, $open), true)
            && $hindrances[0]->rule !== 'empty' && ! $complaint->on('post'))
            <p class="why-not" id="why-not">{{ $hindrances[0]->getMessage() }}</p>@endif
    <p class="complaint" id="not-yet" role="alert"></p>
    <button type="button" class="main-act" id="post" data-post="{{ route('counter.post', $slip->key) }}"
        aria-disabled="{{ $hindrances === [] ? 'false' : 'true' }}">
        <span>{{ $reckoned->postWords() }}{{ $slip->isBackdated() ? ' on '.$slip->day()->format('j M')
            : '' }}</span><kbd>Ctrl ↵</kbd>
    </button>
</div>
