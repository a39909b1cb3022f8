{{-- Cards they left with the house: which of them pays, and, on the telephone, what they say of their address. --}}
@use('Elmstone\KeptCards\Consent')
@php($kept = $cardsOnFile->reject(fn ($card) => $card->hasRunOut()))
@php($ranOut = $cardsOnFile->filter(fn ($card) => $card->hasRunOut()))
<li>
    <div class="way"><kbd>F</kbd><span>Card on file{{ $kept->isEmpty() ? '' : ' ('.$kept->count().')' }}</span><button
        type="button" class="link-act" data-toggles="on-file" data-way="F">{{ $kept->isEmpty() ? 'Keep one'
            : 'Choose' }}</button></div>
    @foreach($ranOut as $card)<p class="under mb-0"><span class="brick">ran out
        {{ $card->expires->format('m/y') }}:</span> {{ $card->words() }}</p>@endforeach
    <div id="on-file" class="on-file" @panel @unless($complaint->on('on_file')) hidden @endunless>
        @if($kept->isNotEmpty())
        <form method="post" action="{{ route('counter.card-on-file', $slip->key) }}" data-act="stay">
            <input type="hidden" name="seen" value="{{ $slip->cards->count() }}">
            @if($paidByCard)<input type="hidden" name="another" value="1">@endif
            <select class="form-select mb-1" name="on_file" id="on_file" aria-label="Which card" data-focus>
                @foreach($kept as $card)<option value="{{ $card->id }}" @selected(request('on_file')
                    === (string) $card->id)>{{ $card->words() }}, {{ $card->expires->format('m/y') }}{{
                        $card->name === '' ? '' : ", {$card->name}" }}</option>@endforeach</select>
            <label class="small"><input class="form-check-input" type="checkbox" name="absent" id="absent" value="1"
                @checked($complaint->on('on_file') && request()->boolean('absent'))> they are on the telephone</label>
            <div class="address gap-1 mt-1">
            <input class="form-control" name="postcode" id="card_postcode" maxlength="12" autocomplete="off"
                placeholder="Postal code" aria-label="Postal code, as they say it"
                value="{{ $complaint->on('on_file') ? request('postcode') : '' }}">
            <input class="form-control" name="number" id="card_number_of_house" maxlength="10" autocomplete="off"
                placeholder="Street no." aria-label="Number of their house, as they say it" size="6"
                value="{{ $complaint->on('on_file') ? request('number') : '' }}"></div>
            <div class="d-flex gap-1 mt-1">
            <input class="form-control amount" name="on_file_amount" id="on_file_amount" inputmode="decimal"
                autocomplete="off" aria-label="How much"
                placeholder="{{ $left->isPositive() ? $left->toString() : '–' }}"
                value="{{ $complaint->typedOr('on_file', '') }}">
            <button class="quiet-act nowrap">Ask it</button></div>
        </form>@endif
        <form method="post" action="{{ route('counter.keep-card', $slip->key) }}" data-act="stay"
            class="d-flex gap-1 mt-2 align-items-center">
            <select class="form-select" name="consent" aria-label="They agreed that their card is kept">
            <option value="">they agreed …</option>@foreach(Consent::cases() as $one)<option
                value="{{ $one->value }}">they agreed {{ $one->words() }}</option>@endforeach</select>
            <button class="quiet-act nowrap">Keep their card</button></form>
        @if($complaint->on('on_file'))<p class="complaint" role="alert">{{ $complaint->message() }}</p>@endif
    </div>
</li>
