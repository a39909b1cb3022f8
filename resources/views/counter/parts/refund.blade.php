@use('Elmstone\Core\Settlement\TenderKind')
@use('Elmstone\Counter\CardState')
@use('Elmstone\Counter\RefundWays')
@use('Elmstone\Foundation\Show')
@php
    $ways = $reckoned->refund;
    $amount = fn (int $minor): string => $house->money($minor)->toString();
    $keys = ['house_account' => 'A', 'cash' => 'C', 'cheque' => 'Q', 'bank_transfer' => 'B', 'deposit_held' => 'H', 'store_credit' => 'S', 'gift_card' => 'G'];
    $words = ['house_account' => 'To the account', 'cash' => 'Cash', 'cheque' => 'Our cheque', 'bank_transfer' => 'Bank transfer', 'deposit_held' => 'As deposit held', 'store_credit' => 'Store credit', 'gift_card' => 'Gift card'];
    $rules = array_map(fn ($refused) => $refused->rule, $ways->hindrances());
@endphp
<p class="small soft mb-1">By which way does it go back?</p>
<ul class="ways refund">
    @foreach(RefundWays::KINDS as $kind)
        @php
            $most = $ways->most($kind->value);
            $closed = $ways->closed($kind);
            $chosen = $ways->chosen($kind);
            $at = "refund.{$kind->value}";
        @endphp
        @continue($closed !== '' && in_array($kind, [TenderKind::BankTransfer, TenderKind::DepositHeld, TenderKind::Cheque], true))
        <li>
            <div class="way"><kbd>{{ $keys[$kind->value] }}</kbd><label for="refund-{{ $kind->value }}" @class(['soft' => $closed !== ''])>{{ $words[$kind->value] }}</label>
                <input class="form-control amount {{ $complaint->on($at) ? 'is-refused' : '' }}" id="refund-{{ $kind->value }}" name="amount" inputmode="decimal" autocomplete="off" placeholder="{{ $ways->left()->isPositive() && $most->exceeds($chosen) ? $most->toString() : '–' }}" data-way="{{ $keys[$kind->value] }}" data-rest data-save="{{ route('counter.refund.way', [$slip->key, 'way' => $kind->value]) }}" value="{{ $complaint->typedOr($at, $chosen->isZero() ? '' : $chosen->toString()) }}" @disabled($closed !== '')></div>
            @if($closed !== '')<p class="under mb-0">{{ $closed }}</p>
            @elseif($chosen->isZero() && $most->isPositive() && $ways->left()->exceeds($most))<p class="under mb-0">at most {{ Show::money($most) }}</p>
            @elseif($chosen->isZero())
            @elseif($kind === TenderKind::HouseAccount)
                <p class="under mb-0">{{ $ways->charged()->isPositive() ? Show::money($ways->charged()).' was charged there; ' : '' }}against its own invoice first, the rest
                    <select class="form-select form-select-sm d-inline-block w-auto" name="credit_to" id="credit_to" aria-label="What the rest does on the account" data-save="{{ route('counter.refund.credit-to', $slip->key) }}"><option value="unused" @selected($slip->credit_to === 'unused')>kept as credit</option><option value="oldest" @selected($slip->credit_to === 'oldest')>pays the oldest due</option></select></p>
            @elseif($kind === TenderKind::GiftCard)
                <input class="form-control {{ $complaint->on('refund.back_card') ? 'is-refused' : '' }}" id="back_card" name="back_card" autocomplete="off" placeholder="new card, or scan theirs" aria-label="The gift card it goes on; empty: a new one" data-save="{{ route('counter.refund.onto-card', $slip->key) }}" value="{{ $complaint->typedOr('refund.back_card', $slip->back_card === null ? '' : '•••• '.substr($slip->back_card, -4)) }}">
                @if($complaint->on('refund.back_card'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
            @endif
            @if(in_array($kind, [TenderKind::Cheque, TenderKind::BankTransfer], true) && $chosen->isPositive())
                <input class="form-control {{ $complaint->on('refund.reference') ? 'is-refused' : '' }}" id="back_reference" name="back_reference" autocomplete="off" maxlength="60" placeholder="{{ $kind === TenderKind::Cheque ? 'number of our cheque' : 'transfer reference' }}" aria-label="Reference" data-save="{{ route('counter.refund.reference', $slip->key) }}" value="{{ $slip->back_reference }}">
            @endif
            @if($complaint->on($at))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
        </li>
    @endforeach
    @foreach($ways->cards() as $authorisation => $card)
        @php($most = $ways->most("card:{$authorisation}")->minus($ways->wanted()["card:{$authorisation}"] ?? $house->money(0)))
        @php($at = "refund.card:{$authorisation}")
        <li>
            <form method="post" action="{{ route('counter.refund.terminal', $slip->key) }}" data-act="stay"><input type="hidden" name="authorisation" value="{{ $authorisation }}">
            <div class="way"><kbd>D</kbd><label for="card{{ $authorisation }}">Card ending {{ $card['last_four'] }}</label>
                <input class="form-control amount {{ $complaint->on($at) ? 'is-refused' : '' }}" id="card{{ $authorisation }}" name="amount" inputmode="decimal" autocomplete="off" placeholder="{{ $most->isPositive() && $ways->left()->isPositive() ? $most->toString() : '–' }}" data-way="D" data-held data-submits value="{{ $complaint->typedOr($at, '') }}"></div>
            @if($most->isPositive() && $ways->left()->isPositive() && $reckoned->unknownCard() === null)<div class="under"><button class="link-act">Pay back by the terminal</button>, at most {{ Show::money($most) }}</div>@endif
            </form>
            @if($complaint->on($at))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
        </li>
    @endforeach
    @if($complaint->within('refund.card:') && ! array_key_exists(substr($complaint->field(), 12), $ways->cards()))<li><p class="complaint mb-0" role="alert">{{ $complaint->message() }}</p></li>@endif
    @if($ways->cards() === [])<li><div class="way"><kbd>D</kbd><span class="soft">Card</span></div><p class="under mb-0">nothing was paid by card; a card is paid back only against its own payment</p></li>@endif
    @foreach($slip->cards->filter->isBack() as $card)
        @php($of = fn (string $act): string => route("counter.card.{$act}", [$slip->key, $card->id]))
        <li><div class="under card-{{ $card->state->value }}">
            @switch($card->state)
                @case(CardState::Approved)
                    <span class="verdigris fw-bold">✓ {{ $amount($card->approved) }} paid back</span> to the card ending {{ $card->last_four }} <button type="button" class="link-act" data-sends="{{ $of('give-back') }}">Undo</button>
                    @break
                @case(CardState::Declined)
                    <span class="brick">✕ The terminal refused to pay {{ $amount($card->asked) }} back.</span> {{ $card->reason }} Choose another way, or try again.
                    @break
                @case(CardState::OffLine)
                    <span class="ochre">The terminal is off line:</span> {{ $amount($card->asked) }} was not paid back. Choose another way, or try again.
                    @break
                @case(CardState::Asked)
                @case(CardState::GivingBack)
                    <div class="note look mb-1"><p><strong>{{ $amount($card->asked) }}: outcome unknown.</strong> It may have been paid back. Do not pay it again.</p>
                        <button type="button" class="quiet-act mt-1" data-sends="{{ $of($card->state === CardState::Asked ? 'ask' : 'give-back') }}" data-focus>Ask the terminal again</button></div>
                    @break
                @default
                    <span>{{ $amount($card->asked) }} to the card was undone</span>
            @endswitch
            @if($complaint->on("card.{$card->id}"))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
        </div></li>
    @endforeach
    @if(array_intersect($rules, ['over_refund_limit', 'blind_cash']) !== [])
        <li><p class="under not-allowed mb-0">{{ collect($ways->hindrances())->first(fn ($one) => in_array($one->rule, ['over_refund_limit', 'blind_cash'], true))->getMessage() }}</p>
            @include('counter.parts.approve', ['action' => route('counter.refund.approve', $slip->key), 'held' => [], 'id' => 'ra'])
            @if($complaint->on('refund.approve'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif</li>
    @elseif($slip->refund_approved > 0 && $slip->void_of_id === null)<li><p class="under allowed mb-0">✓ handing out {{ Show::money($house->money($slip->refund_approved)) }} approved</p></li>
    @endif
</ul>
@if(! $ways->cashRounding()->isZero())<p class="soft small">Cash is rounded by {{ Show::money($ways->cashRounding()) }}.</p>@endif
