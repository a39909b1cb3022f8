<p class="complaint" id="own-terms-said" data-part role="alert">
@if($complaint->on('own-terms')){{ $complaint->message() }}@endif</p>
