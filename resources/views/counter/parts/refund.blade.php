@use('Elmstone\Cards\SurchargePaid')
@use('Elmstone\Core\Money\Money')
@use('Elmstone\Core\Settlement\TenderKind')
@use('Elmstone\Counter\Settle\RefundWays')
@use('Elmstone\Support\Show')
@php
    $ways = $reckoned->refund;
    $shut = [];
    $onlyWhereOpen = [TenderKind::BankTransfer, TenderKind::DepositHeld, TenderKind::Cheque];
    $keys = [
        'house_account' => 'A', 'cash' => 'C', 'cheque' => 'Q', 'bank_transfer' => 'B', 'deposit_held' => 'H',
        'store_credit' => 'S', 'gift_card' => 'G',
    ];
    $words = [
        'house_account' => 'To the account', 'cash' => 'Cash', 'cheque' => 'Our cheque',
        'bank_transfer' => 'Bank transfer', 'deposit_held' => 'As deposit held', 'store_credit' => 'Store credit',
        'gift_card' => 'Gift card',
    ];
@endphp
<p class="small soft mb-1">
By which way does it go back? @if(count($ways->asItCame()) > 1 && $ways->wanted() === [])<button type="button"
    class="link-act" data-sends="{{ route('counter.refund.as-it-came', $slip->key) }}">As it came</button>@endif</p>
<ul class="ways met refund">
    @foreach(RefundWays::KINDS as $kind)
        @php
            $most = $ways->most($kind->value);
            $closed = $ways->closed($kind);
            $chosen = $ways->chosen($kind);
            $at = "refund.{$kind->value}";
            $isShut = $closed !== '' && $chosen->isZero() && ! $complaint->on($at);

            if ($isShut && ! in_array($kind, $onlyWhereOpen, true)) {
                $shut[$words[$kind->value]] = $closed;
            }
        @endphp
        @continue($isShut)
        <x-way :$complaint :$at :letter="$keys[$kind->value]" id="refund-{{ $kind->value }}" name="amount" rest
            :label="$words[$kind->value]" :soft="$closed !== ''" :disabled="$closed !== ''"
                :save="route('counter.refund.way', [$slip->key, 'way' => $kind->value])"
                    :value="$chosen->isZero() ? '' : $chosen->toString()"
                        :placeholder="$ways->left()->isPositive() && $most->exceeds($chosen) ? $most->toString() : '–'">
            @if($closed !== '')<p class="under mb-0">{{ $closed }}</p>
            @elseif($chosen->isZero() && $most->isPositive() && $ways->left()->exceeds($most))
            <p class="under mb-0">at most {{ $most }}</p>
            @elseif($chosen->isZero())
            @elseif($kind === TenderKind::HouseAccount)
                <p class="under mb-0">{{ $ways->charged()->isPositive()
                    ? Show::money($ways->charged()).' was charged there; '
                        : '' }}against its own invoice first, the rest
                    <select class="form-select form-select-sm d-inline-block w-auto" name="credit_to" id="credit_to"
                        aria-label="What the rest does on the account"
                            data-save="{{ route('counter.refund.credit-to', $slip->key) }}">
                            <option value="unused" @selected($slip->credit_to === 'unused')>kept as credit</option>
                            <option value="oldest" @selected($slip->credit_to === 'oldest')>pays the oldest due</option>
                            </select></p>
            @elseif($kind === TenderKind::GiftCard)
                <input class="form-control {{ $complaint->on('refund.back_card') ? 'is-refused' : '' }}" id="back_card"
                    name="back_card" autocomplete="off" placeholder="new card, or scan theirs"
                        aria-label="The gift card it goes on; empty: a new one"
                            data-save="{{ route('counter.refund.onto-card', $slip->key) }}"
                                value="{{ $complaint->typedOr('refund.back_card', $slip->back_card === null ? ''
                                    : '•••• '.substr($slip->back_card, -4)) }}">
                @if($complaint->on('refund.back_card'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>
                @endif
            @endif
            @if(in_array($kind, [TenderKind::Cheque, TenderKind::BankTransfer], true) && $chosen->isPositive())
                <input class="form-control {{ $complaint->on('refund.reference') ? 'is-refused' : '' }}"
                    id="back_reference" name="back_reference" autocomplete="off" maxlength="60"
                        placeholder="{{ $kind === TenderKind::Cheque ? 'number of our cheque'
                            : 'transfer reference' }}" aria-label="Reference"
                                data-save="{{ route('counter.refund.reference', $slip->key) }}"
                                    value="{{ $slip->back_reference }}">
            @endif
        </x-way>
    @endforeach
    @foreach($ways->giftCards() as $way => $most)
        @php($at = "refund.{$way}")
        @php($chosen = $ways->chosen($way))
        <x-way :$complaint :$at letter="" id="refund-{{ str_replace(':', '-', $way) }}" name="amount" rest
            label="The gift card that paid" :save="route('counter.refund.way', [$slip->key, 'way' => $way])"
                :value="$chosen->isZero() ? '' : $chosen->toString()"
                    :placeholder="$ways->left()->isPositive() ? $ways->most($way)->toString() : '–'">
            <p class="under mb-0">at most {{ $most }}</p>
        </x-way>
    @endforeach
    @foreach($ways->cards() as $authorisation => $card)
        @php($gone = $ways->wanted()["card:{$authorisation}"] ?? $house->money(0))
        @php($most = $ways->most("card:{$authorisation}")->minus($gone))
        @php($at = "refund.card:{$authorisation}")
        @php($again = $gone->isPositive() && ! $complaint->on($at))
        <li>
            @if($again && $most->isPositive() && $ways->left()->isPositive())<div class="way">
            <kbd>D</kbd><span>Card ending {{ $card['last_four'] }}</span><button type="button" class="link-act"
                data-toggles="more-{{ $authorisation }}" data-way="D">More to this card</button></div>@endif
            @if(! $again || ($most->isPositive() && $ways->left()->isPositive()))
            <form method="post" action="{{ route('counter.refund.terminal', $slip->key) }}" data-act="stay"
                id="more-{{ $authorisation }}" @if($again) @panel hidden @endif>
                <input type="hidden" name="authorisation" value="{{ $authorisation }}"><input type="hidden" name="seen"
                    value="{{ $slip->cards->count() }}">@if($gone->isPositive())<input type="hidden" name="more"
                        value="1">@endif
            <div class="way">
            <kbd>D</kbd><label for="card{{ $authorisation }}">Card ending {{ $card['last_four'] }}</label>
                <input class="form-control amount {{ $complaint->on($at) ? 'is-refused' : '' }}"
                    id="card{{ $authorisation }}" name="amount" inputmode="decimal" autocomplete="off"
                        placeholder="{{ $most->isPositive() && $ways->left()->isPositive() ? $most->toString()
                            : '–' }}" data-way="D" data-held data-submits value="{{ $complaint->typedOr($at, '') }}">
                            </div>
            @if($most->isPositive() && $ways->left()->isPositive() && $reckoned->unknownCard() === null)
            <div class="under">
            @php($bore = $slip->void_of_id === null ? SurchargePaid::of((string) $authorisation) : null)
            @php($most = $bore === null ? $most : Money::min($most, $bore->most()))
            <button class="link-act">Pay back by the terminal</button>, at most {{ $most }}{{ $bore === null
                || $bore->with($most)->isZero() ? '' : ' and '.$bore->with($most)->toString().' of its surcharge' }}
            </div>@endif
            </form>
            @endif
            @if($complaint->on($at))<p class="complaint" role="alert">{{ $complaint->message() }}</p>
                @if($complaint->isApprovable())@include('counter.parts.approve',
                    ['action' => route('counter.refund.terminal', $slip->key),
                        'held' => ['authorisation' => $authorisation, 'amount' => request('amount'),
                            'seen' => $slip->cards->count(), 'more' => $gone->isPositive() ? '1' : ''],
                                'id' => "rc{$authorisation}"])@endif
            @endif
        </li>
    @endforeach
    @if($complaint->within('refund.card:') && ! array_key_exists(substr($complaint->field(), 12), $ways->cards()))<li>
    <p class="complaint mb-0" role="alert">{{ $complaint->message() }}</p></li>@endif
    @if($ways->cards() === [])@php($shut['Card'] = 'nothing was paid by card')@endif
    @include('counter.parts.cards', ['back' => true])
    @include('counter.parts.cards', ['back' => false])
    @if($ways->left()->isPositive() && $ways->cards() !== [] && $slip->back_other === null)
    <li><button type="button" class="link-act"
        data-toggles="other-way">The card cannot be paid back: another way</button>
        <div id="other-way" @panel @unless($complaint->on('refund.other')) hidden @endunless>
            @foreach([TenderKind::Cash, TenderKind::Cheque, TenderKind::BankTransfer] as $kind)
            <p class="under mb-0">{{ $words[$kind->value] }}, allowed by somebody else with the reason:</p>
            @include('counter.parts.approve',
                ['action' => route('counter.refund.other-way', $slip->key), 'held' => ['way' => $kind->value],
                    'id' => "ow-{$kind->value}", 'quiet' => true])@endforeach
            @if($complaint->on('refund.other'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
        </div></li>
    @endif
    @if($reckoned->needs->open('refund') !== [] || $reckoned->needs->allowed('refund') !== [])<li>
    @include('counter.parts.needs', ['place' => 'refund', 'quiet' => false])</li>@endif
</ul>
@if($shut !== [])<p class="small soft mb-0 shut">@foreach($shut as $way => $why)<span>{{ $way }}: {{ $why }}</span>
    @endforeach</p>@endif
@if(! $ways->cashRounding()->isZero())
<p class="soft small">Cash is rounded by {{ $ways->cashRounding() }}.</p>@endif
