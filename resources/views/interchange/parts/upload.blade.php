<form class="filters" method="post" enctype="multipart/form-data" action="{{ $action }}">@csrf
    <div><label for="file">CSV file</label><input class="form-control" type="file" id="file" name="file"
        accept=".csv,text/csv"></div>
        <button class="{{ $report === null ? 'main-act narrow' : 'quiet-act' }}">Look at it first</button>
</form>
