@use('Elmstone\Counter\Slip\PaperWay')
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
@if($lent !== [])<p class="small soft mb-0 lent">Used from elsewhere:
    @foreach($lent as $kind => $from)<span>{{ $kind }} of {{ $from->name }}</span>@unless($loop->last),@endunless
    @endforeach <a href="{{ route('till.devices') }}">change</a></p>
@endif
