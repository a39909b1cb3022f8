{{-- What terminals were asked for with this slip, whatever it has become since: it stays in sight until settled. --}}
@use('Elmstone\Cards\CardState')
@use('Elmstone\Core\Money\Money')
@foreach($slip->cards->filter(fn ($card) => $card->isBack() === $back) as $card)
    @php($of = fn (string $act): string => route("counter.card.{$act}", [$slip->key, $card->id]))
    @php($sum = fn (Money $amount): string => $amount->toString())
    <{{ $back ? 'li' : 'div' }} class="under card-{{ $card->state->value }} mt-1">
        @switch($card->state)
            @case(CardState::Approved)
                <span class="verdigris fw-bold">✓ {{ $sum($card->approved) }} {{ $back ? 'paid back'
                    : 'approved' }}</span> {{ $back ? 'to the card' : $card->card_type }} ending {{ $card->last_four }}
                @if($card->on_file_id !== null)<br><span class="soft">on file{{ $card->absent ? ', by telephone' : '' }}
                </span>@endif
                @if($card->matchWords() !== '')<br><span @class(['ochre' => in_array(false,
                    [$card->postcode_matches, $card->number_matches], true)])>{{ $card->matchWords() }}</span>@endif
                @if($card->asked->exceeds($card->approved))<br>
                <span class="ochre">only part of the {{ $sum($card->asked) }} asked for</span>@endif
                <button type="button" class="link-act"
                    data-sends="{{ $of('give-back') }}">{{ $back ? 'Undo' : 'Give back' }}</button>
                @break
            @case(CardState::Keyed)
                <span class="verdigris fw-bold">✓ {{ $sum($card->approved) }} keyed</span> ending {{ $card->last_four }}
                <button type="button" class="link-act" data-sends="{{ $of('give-back') }}">Give back</button>
                @include('counter.parts.needs', ['place' => "card.{$card->id}"])
                @break
            @case(CardState::Read)
                <div class="note look mb-1 surcharge"><p><strong>{{ ucfirst($card->read_as ?: 'card') }} ending
                    {{ $card->last_four }}: {{ $sum($card->surcharge_total) }} more,
                    {{ $sum($card->asked) }} in all.</strong> {{ $slip->location->surcharge_words }}</p>
                <button type="button" class="quiet-act mt-1" data-sends="{{ $of('confirm') }}"
                    data-focus>Ask the card for {{ $sum($card->asked) }}</button>
                <button type="button" class="link-act" data-sends="{{ $of('give-back') }}">Not by this card</button>
                @can('approve')<button type="button" class="link-act"
                    data-sends="{{ $of('confirm') }}?off=1">Let the surcharge off</button>
                @else<button type="button" class="link-act"
                    data-toggles="off{{ $card->id }}">Let the surcharge off</button>
                <div id="off{{ $card->id }}" @panel @unless($complaint->on("card.{$card->id}")) hidden @endunless>
                    @include('counter.parts.approve', ['action' => $of('confirm'), 'held' => ['off' => '1'],
                        'id' => "so{$card->id}", 'quiet' => true])</div>@endcan
                </div>
                @break
            @case(CardState::Dropped)
                @break
            @case(CardState::Declined)
                <span class="brick">✕ {{ $back ? "The terminal refused to pay {$sum($card->asked)} back."
                    : "{$sum($card->asked)} declined." }}</span> {{ $card->reason }} {{ $back
                        ? 'Try again, or choose another way.' : '' }}
                @break
            @case(CardState::Asked)
                <div class="note look mb-1"><p>
                <strong>{{ $sum($card->asked) }}: outcome unknown.</strong> {{ $back
                    ? 'It may have been paid back. Do not pay it again.'
                        : 'The card may have been charged. Do not charge it again.' }}</p>
                    <button type="button" class="quiet-act mt-1" data-sends="{{ $of('ask') }}"
                        data-focus>Ask the terminal again</button>
                    <button type="button" class="link-act"
                        data-sends="{{ $of('give-back') }}">Have the terminal reverse it</button></div>
                @break
            @case(CardState::GivingBack)
                <div class="note look mb-1"><p>
                <strong>{{ $sum($card->atStake()->isZero() ? $card->asked
                    : $card->atStake()) }}: being {{ $back ? 'undone' : 'given back' }},</strong> not confirmed yet.</p>
                    <button type="button" class="quiet-act mt-1" data-sends="{{ $of('ask') }}"
                        data-focus>Ask the terminal again</button>
                    <button type="button" class="link-act"
                        data-sends="{{ $of('give-back') }}">Have the terminal reverse it</button></div>
                @break
            @case(CardState::OffLine)
                @if($back)<span
                    class="ochre">The terminal is off line:</span> {{ $sum($card->asked) }} was not paid back. Try
                        again, or choose another way.
                @else
                <form method="post" action="{{ $of('key') }}" data-act="stay">
                    <span class="ochre">Terminal off line.</span> Call for a voice code:
                    <div class="d-flex gap-1 mt-1">
                        <input class="form-control" name="authorisation" id="auth{{ $card->id }}"
                            placeholder="Voice code" aria-label="Voice code" autocomplete="off" maxlength="12"
                                value="{{ $complaint->on("card.{$card->id}") ? request('authorisation') : '' }}">
                        <input class="form-control" name="last_four" id="last{{ $card->id }}" placeholder="Last 4"
                            aria-label="Last four digits" inputmode="numeric" maxlength="4" autocomplete="off" size="5"
                                value="{{ $complaint->on("card.{$card->id}") ? request('last_four') : '' }}">
                        <button class="quiet-act">Key in</button>
                    </div>
                </form>
                <button type="button" class="link-act" data-sends="{{ $of('give-back') }}">Not by card</button>
                @endif
                @include('counter.parts.device', ['kind' => 'terminal'])
                @break
            @default
                <span>{{ $sum($card->asked) }} {{ $back ? 'to the card was undone' : 'given back' }}</span>
        @endswitch
        @if($complaint->on("card.{$card->id}"))<p class="complaint" role="alert">{{ $complaint->message() }}</p>
            @if($complaint->isApprovable()
                && $card->state === CardState::OffLine)@include('counter.parts.approve',
                    ['action' => $of('key'),
                        'held' => ['authorisation' => request('authorisation'), 'last_four' => request('last_four')],
                            'id' => "ck{$card->id}"])@endif
        @endif
    </{{ $back ? 'li' : 'div' }}>
@endforeach
