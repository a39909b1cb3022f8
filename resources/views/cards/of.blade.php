<p class="small soft">@foreach($cards as $card)The card ending {{ $card->last_four }} was on file{{ $card->absent
    ? ', its holder on the telephone' : '' }}{{ $card->matchWords() === '' ? '' : ": {$card->matchWords()}" }}.
    @endforeach</p>
