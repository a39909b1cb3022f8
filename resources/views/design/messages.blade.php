@if(session('done'))
    <div class="note done" role="status"><p>{{ session('done') }}</p></div>
@endif
@error('refused')
    <div class="note stop" role="alert"><p>{{ $message }}</p></div>
@enderror
